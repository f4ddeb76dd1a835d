import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { FigureChoice } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Figures } from '../device/figures';
import { Settings } from '../device/settings';
import type { SettingsChoice } from '../device/settings';
import { Theme } from '../device/theme';
import type { ThemeName } from '../device/theme';
import { Dialog } from '../kit/dialog';
import { Field } from '../kit/field';
import { Segmented } from '../kit/segmented';
import { Select } from '../kit/select';
import type { Option } from '../kit/value-control';
import { ShopActions, selectShop, selectShops, selectWho } from '../state/shop/shop.feature';

const option = <T extends string>(value: T, label: string): Option<T> => ({ value, label });

/** Who works here, for which shop, and how this device shows and sounds. */
@Component({
  selector: 'tt-settings-dialog',
  imports: [Dialog, Field, FormsModule, InputText, Segmented, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './settings-dialog.html',
  styleUrl: './settings-dialog.css',
})
export class SettingsDialog {
  readonly #store = inject(Store);
  protected readonly figures = inject(Figures);
  protected readonly settings = inject(Settings);
  protected readonly theme = inject(Theme);
  readonly closed = output();
  readonly shopChosen = output<string>();

  protected readonly who = this.#store.selectSignal(selectWho);
  protected readonly shop = this.#store.selectSignal(selectShop);
  readonly #shops = this.#store.selectSignal(selectShops);
  protected readonly shops = computed(() => this.#shops().map(({ id, name }) => option(id, name)));

  protected readonly themes: readonly Option<ThemeName>[] = [option('light', 'Light'), option('dark', 'Dark')];
  protected readonly decimals: readonly Option<FigureChoice['decimal']>[] = [
    option('point', '12.61'),
    option('comma', '12,61'),
  ];
  protected readonly temperatures: readonly Option<FigureChoice['temperature']>[] = [
    option('C', '°C'),
    option('F', '°F'),
  ];
  protected readonly smallVolts: readonly Option<FigureChoice['smallVolts']>[] = [option('mV', 'mV'), option('V', 'V')];
  protected readonly sounds: readonly Option<SettingsChoice['sounds']>[] = [option('on', 'On'), option('off', 'Off')];
  protected readonly afterEnter: readonly Option<SettingsChoice['afterEnter']>[] = [
    option('judge', 'Where the judge points'),
    option('notes', 'Stay in the four notes'),
  ];
  protected readonly sample = computed(() => {
    const { volts, smallVolts, celsius } = this.figures.format();
    return [volts(12.61), smallVolts(0.23), celsius(12)].join('   ');
  });

  protected named(who: string): void {
    this.#store.dispatch(ShopActions.named({ who: who.trim() }));
  }
}

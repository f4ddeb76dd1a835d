import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import type { FigureChoice } from '@tetrad/core';
import { Figures } from '../device/figures';
import { Settings } from '../device/settings';
import type { SettingsChoice } from '../device/settings';
import { Theme } from '../device/theme';
import type { ThemeName } from '../device/theme';
import { Dialog } from '../kit/dialog';
import { Segmented } from '../kit/segmented';
import type { Option } from '../kit/value-control';

const option = <T extends string>(value: T, label: string): Option<T> => ({ value, label });

/** How this device shows and sounds. */
@Component({
  selector: 'tt-settings-dialog',
  imports: [Dialog, Segmented],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './settings-dialog.html',
  styleUrl: './settings-dialog.css',
})
export class SettingsDialog {
  protected readonly figures = inject(Figures);
  protected readonly settings = inject(Settings);
  protected readonly theme = inject(Theme);
  readonly closed = output();

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
  protected readonly footSwitches: readonly Option<SettingsChoice['footSwitch']>[] = [
    option('none', 'None'),
    option('PageDown', 'Page down'),
    option('F9', 'F9'),
    option('F13', 'F13'),
  ];
  protected readonly sample = computed(() => {
    const { volts, smallVolts, celsius } = this.figures.format();
    return [volts(12.61), smallVolts(0.23), celsius(12)].join('   ');
  });
}

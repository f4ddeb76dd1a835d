import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { CHANNEL_ROLES } from '@tetrad/core/capture-format';
import type { Capture, ChannelRole } from '@tetrad/core/capture-format';
import { InputText } from 'primeng/inputtext';
import type { Understanding } from '../../captures/worker-messages';
import { Button } from '../../kit/button';
import { Field } from '../../kit/field';
import { Fold } from '../../kit/fold';
import { Figure } from '../../kit/forms/figure';
import { Select } from '../../kit/select';
import { fullScaleForm, fullScaleOf } from './full-scale-form';

const ROLE_WORDS: Readonly<Record<ChannelRole, string>> = {
  volts: 'Volts at the posts',
  amps: 'Amps of the clamp',
  field: 'Field command',
  ground: 'Volts lost in the ground',
  unused: 'Not used',
};
const ORIGINS = { told: 'as told', recognised: 'recognised', chosen: 'chosen' } as const;
/** Scales of clamps, mV per A, and what a volt of them is, A. */
const SCALES = [
  { value: null as number | null, label: 'as recognised' },
  { value: 1000, label: '1 mV per A' },
  { value: 100, label: '10 mV per A' },
  { value: 10, label: '100 mV per A' },
];

/** Which channel is what, and the clamp's scale: shown as understood, and changed here. */
@Component({
  selector: 'tt-channel-map',
  imports: [Button, Field, Figure, Fold, InputText, ReactiveFormsModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (capture(); as known) {
      <tt-fold says="Channels and scale">
        @for (channel of known.channels; track channel.column) {
          <tt-select
            [label]="channel.name + ' (column ' + channel.column + ')'"
            [options]="roles"
            [value]="channel.role ?? 'unused'"
            (valueChange)="choose(channel.column, $event)"
          />
          <p class="soft small">× {{ channel.scale }}, {{ ORIGINS[channel.origin ?? 'told'] }}</p>
        }
        <tt-select label="Clamp’s scale" [options]="SCALES" [value]="null" (valueChange)="scale($event)" />
      </tt-fold>
    }
    @if (asksScale()) {
      <form [formGroup]="scaleForm" (ngSubmit)="fullScale()">
        <tt-field label="Full scale, volts"><input pInputText ttFigure formControlName="volts" /></tt-field>
        <tt-field label="Full scale of the second channel, amps" hint="Leave it empty without a clamp">
          <input pInputText ttFigure formControlName="amps" />
        </tt-field>
        <button pButton kind="main" type="submit">Read it</button>
      </form>
    }
  `,
  styles: `
    :host,
    form {
      display: grid;
      gap: 12px;
    }
    :host {
      margin-top: 16px;
    }
    .small {
      font-size: var(--text-xs);
    }
  `,
})
export class ChannelMap {
  readonly capture = input.required<Capture | null>();
  readonly asksScale = input(false);
  readonly changed = output<Partial<Understanding>>();
  protected readonly ORIGINS = ORIGINS;
  protected readonly SCALES = SCALES;
  protected readonly roles = CHANNEL_ROLES.map((value) => ({ value, label: ROLE_WORDS[value] }));
  protected readonly scaleForm = fullScaleForm();

  protected choose(column: number, role: ChannelRole | null): void {
    const channels = this.capture()?.channels ?? [];
    const roles = Object.fromEntries(channels.map((channel) => [channel.column, channel.role ?? 'unused']));
    // one channel for each role: the one that had it is free
    for (const [other, held] of Object.entries(roles))
      if (held === role && role !== 'unused') roles[Number(other)] = 'unused';
    if (role) this.changed.emit({ roles: { ...roles, [column]: role } });
  }
  protected scale(ampsPerVolt: number | null): void {
    this.changed.emit({ ampsPerVolt });
  }
  protected fullScale(): void {
    const wavScale = fullScaleOf(this.scaleForm);
    if (wavScale !== null) this.changed.emit({ wavScale });
  }
}

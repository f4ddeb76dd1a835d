import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { parseEntry } from '@tetrad/core';
import { CHANNEL_ROLES } from '@tetrad/core/capture-format';
import type { Capture, ChannelRole } from '@tetrad/core/capture-format';
import { InputText } from 'primeng/inputtext';
import type { Understanding } from '../../captures/worker-messages';
import { Button } from '../../kit/button';
import { Field } from '../../kit/field';
import { Fold } from '../../kit/fold';
import { Message } from '../../kit/message';
import { Select } from '../../kit/select';

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
  imports: [Button, Field, Fold, FormsModule, InputText, Message, Select],
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
      <tt-field label="Full scale, volts"><input pInputText inputmode="decimal" [(ngModel)]="fullVolts" /></tt-field>
      <tt-field label="Full scale of the second channel, amps">
        <input pInputText inputmode="decimal" [(ngModel)]="fullAmps" />
      </tt-field>
      @if (wrong()) {
        <tt-message>{{ wrong() }}</tt-message>
      }
      <button pButton kind="main" (click)="fullScale()">Read it</button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
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
  protected readonly fullVolts = signal('20');
  protected readonly fullAmps = signal('');
  protected readonly wrong = signal('');

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
    const volts = parseEntry(this.fullVolts(), 'V');
    const amps = this.fullAmps().trim() === '' ? null : parseEntry(this.fullAmps(), 'A');
    if (!volts.ok || volts.value <= 0)
      this.wrong.set(`Volts are “${this.fullVolts()}”: a number above 0, what the highest sample stands for.`);
    else if (amps && (!amps.ok || amps.value < 0))
      this.wrong.set(`Amps are “${this.fullAmps()}”: a number above 0, or nothing without a clamp.`);
    else {
      this.wrong.set('');
      const clamp = amps?.ok && amps.value > 0 ? { amps: amps.value } : {};
      this.changed.emit({ wavScale: { volts: volts.value, ...clamp } });
    }
  }
}

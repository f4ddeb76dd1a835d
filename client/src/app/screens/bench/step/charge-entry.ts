import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import type { TimerView } from '@tetrad/contracts';
import { LONGEST_WAIT_S, SHORTEST_CHARGE_MINUTES, numberShape } from '@tetrad/core';
import { Clock } from '../../../device/clock';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../../kit/button';
import { Field } from '../../../kit/field';
import { Figure, figureOf, fitsFigure } from '../../../kit/forms/figure';
import { endOf } from '../../../waiting/timer-state';
import type { FigureRule } from '../../../kit/forms/figure';

const HOURS: FigureRule = { shape: numberShape({ above: 0, max: LONGEST_WAIT_S / 3600, unit: 'h' }), unit: 'h' };

/** A battery goes on the charger, or has been on it. */
@Component({
  selector: 'tt-charge-entry',
  imports: [Button, DatePipe, Field, Figure, InputText, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (running(); as timer) {
      <p class="on">
        On the charger since <span class="figure">{{ timer.startedAt | date: 'HH:mm' }}</span>, look again at
        <span class="figure">{{ endOf(timer) | date: 'HH:mm' }}</span>.
      </p>
      <div class="acts">
        <button pButton kind="main" (click)="ask()">Charged: read the resting voltage</button>
        <button pButton (click)="stopped.emit(timer.id)">Charger off</button>
      </div>
    } @else {
      <form [formGroup]="form" (ngSubmit)="begin()">
        <tt-field label="Look again after, hours"><input pInputText ttFigure formControlName="hours" /></tt-field>
        <button pButton kind="main" type="submit">On the charger</button>
        <button pButton (click)="ask()">Charged: read the resting voltage</button>
      </form>
    }
    @if (isAsked()) {
      <div class="asked" role="alert">
        <p>
          It was read flat <span class="figure">{{ minutes() }}</span> min ago. A charge takes hours. Is it charged, or
          is another battery connected?
        </p>
        <button pButton kind="main" (click)="charged.emit()">Yes, read it</button>
        <button pButton (click)="isAsked.set(false)">Not yet</button>
      </div>
    }
  `,
  styles: `
    .on {
      margin-top: 8px;
    }
    form,
    .acts {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 12px;
      margin-top: 8px;
    }
    tt-field {
      width: 168px;
    }
    .asked {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 12px;
      margin-top: 12px;
      padding: 8px 12px;
      border-left: 3px solid var(--near);
      background: var(--shade);
    }
    .asked p {
      flex-basis: 100%;
    }
  `,
})
export class ChargeEntry {
  readonly begun = output<{ kind: 'charge'; seconds?: number }>();
  readonly charged = output();
  readonly stopped = output<string>();
  /** The charge that runs; null where it is not on the charger. */
  readonly running = input<TimerView | null>(null);
  protected readonly endOf = endOf;
  /** When it was last read flat, ms since 1970; null where it was not. */
  readonly readAt = input<number | null>(null);
  readonly #clock = inject(Clock);
  protected readonly isAsked = signal(false);
  protected readonly minutes = signal(0);
  protected readonly form = new FormGroup({
    hours: new FormControl('4', { nonNullable: true, validators: [fitsFigure(HOURS)] }),
  });

  /** A charge takes hours: one that took minutes is asked about. */
  protected ask(): void {
    const readAt = this.readAt();
    this.minutes.set(readAt === null ? Infinity : Math.max(0, Math.floor((this.#clock.now() - readAt) / 60_000)));
    if (this.minutes() < SHORTEST_CHARGE_MINUTES) this.isAsked.set(true);
    else this.charged.emit();
  }
  protected begin(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const hours = figureOf(this.form.getRawValue().hours, HOURS);
    this.begun.emit({ kind: 'charge', ...(hours !== undefined && { seconds: Math.round(hours * 3600) }) });
  }
}

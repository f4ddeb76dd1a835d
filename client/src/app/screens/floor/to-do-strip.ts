import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { FloorRow } from '@tetrad/contracts';
import { Segmented } from '../../kit/segmented';
import { selectWho } from '../../state/session/session.feature';
import { toDoNow } from './to-do-now';

const WHOSE = [
  { value: 'all' as const, label: 'Everybody’s' },
  { value: 'own' as const, label: 'Mine' },
];

/** What to do now, over all open jobs, while others wait. */
@Component({
  selector: 'tt-to-do-strip',
  imports: [DatePipe, RouterLink, Segmented],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (todo().steps.length > 0) {
      <div class="head">
        <h2>
          Now
          @if (todo().meanwhile; as wait) {
            <span class="soft"
              >while {{ wait.vehicle }}: {{ wait.name.toLowerCase() }} until
              <span class="figure">{{ wait.untilMs | date: 'HH:mm' }}</span></span
            >
          }
        </h2>
        @if (who()) {
          <tt-segmented
            label="Whose jobs"
            [quiet]="true"
            [options]="whose"
            [value]="chosen()"
            (valueChange)="chosen.set($event!)"
          />
        }
      </div>
      <ol>
        @for (step of todo().steps; track step.job) {
          <li>
            <a [routerLink]="['/jobs', step.job]" [class.calls]="step.calls">
              <strong>{{ step.vehicle }}</strong>
              <span>{{ step.step }}</span>
              <span class="soft">
                @if (step.minutes) {
                  about <span class="figure">{{ step.minutes }}</span> min
                }
                @if (step.minutes && step.who) {
                  ·
                }
                {{ step.who }}
              </span>
            </a>
          </li>
        }
      </ol>
    }
  `,
  styleUrl: './to-do-strip.css',
})
export class ToDoStrip {
  readonly rows = input.required<readonly FloorRow[]>();
  readonly nowMs = input.required<number>();
  protected readonly who = inject(Store).selectSignal(selectWho);
  protected readonly whose = WHOSE;
  protected readonly chosen = signal<'all' | 'own'>('all');
  protected readonly todo = computed(() =>
    toDoNow(this.rows(), this.nowMs(), this.chosen() === 'own' ? this.who() : ''),
  );
}

import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { JobView } from '@tetrad/contracts';
import { SYMPTOMS, signedWords } from '@tetrad/core';
import { Sentences } from '../../../device/sentences';
import { Button } from '../../../kit/button';
import { OutcomeDialog } from '../../../outcomes/outcome-dialog';
import { outcomeWords } from '../../../outcomes/outcome-words';
import { LastVisit } from '../last-visit';

/** What became of this job once it is signed off, and the earlier job that it may be a comeback of. */
@Component({
  selector: 'tt-outcome-strip',
  imports: [Button, DatePipe, OutcomeDialog, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (comeback(); as back) {
      <p class="back">
        <strong>Same complaint {{ back.after }}</strong>
        <span>{{ back.symptoms }}. Then: {{ back.done }}</span>
        <span class="soft">{{ back.visit.signOff?.at | date: 'd MMM y' }}, {{ back.visit.signOff?.by }}</span>
        <button pButton (click)="compared.emit()">Compare</button>
        <a pButton kind="bare" [routerLink]="['/jobs', back.visit.job]">Open that job</a>
      </p>
    }
    @if (closed(); as done) {
      <p>
        <strong>Complaint: {{ known() }}</strong>
        <button pButton (click)="recording.set(true)">Record the outcome</button>
      </p>
      @if (recording()) {
        <tt-outcome-dialog
          [job]="job().id"
          [vehicle]="job().vehicle.name"
          [done]="done"
          (closed)="recording.set(false)"
        />
      }
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 16px;
      margin: 0;
      padding: 4px 16px;
      border-bottom: 1px solid var(--line);
    }
    .back {
      box-shadow: inset 4px 0 0 var(--near);
    }
  `,
})
export class OutcomeStrip {
  readonly #last = inject(LastVisit);
  readonly #voice = inject(Sentences).voice;
  readonly job = input.required<JobView>();
  /** The earlier visit is wanted beside this one. */
  readonly compared = output();
  protected readonly recording = signal(false);

  protected readonly comeback = computed(() => {
    const back = this.#last.comeback();
    if (!back) return null;
    const { visit } = back.earlier;
    return {
      visit,
      after: back.days === 1 ? '1 day after the last sign-off' : `${back.days} days after the last sign-off`,
      symptoms: back.symptoms.map((name) => SYMPTOMS[name].name).join(', '),
      done: visit.signOff ? signedWords(visit.signOff, this.#voice()) : '',
    };
  });
  /** What was done, of a job that is signed off; null of others. */
  protected readonly closed = computed(() => {
    const { status, signOff } = this.job();
    return status === 'closed' && signOff ? signedWords(signOff, this.#voice()) : null;
  });
  protected readonly known = computed(() => {
    const { outcome, signOff } = this.job();
    if (outcome) return outcomeWords(outcome);
    const solved = signOff?.solved ?? null;
    return solved === null ? 'not recorded' : solved ? 'gone when it was signed off' : 'still there at the sign-off';
  });
}

import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { benchCase } from '@tetrad/core/practice';
import type { Exercise } from '@tetrad/core/practice';
import { Toasts } from '../kit/toasts';
import { queued } from '../outbox/outbox-item';
import { OutboxActions } from '../outbox/outbox.actions';
import { Api } from '../api/api';
import { newId } from '../device/new-id';
import { selectShop } from '../state/session/session.feature';
import { PracticeJobs } from './practice-jobs';

/** Opens exercises on the real bench, with the simulated vehicle behind its simulated instruments. */
@Injectable({ providedIn: 'root' })
export class BenchPractice {
  readonly #api = inject(Api);
  readonly #router = inject(Router);
  readonly #store = inject(Store);
  readonly #toasts = inject(Toasts);
  readonly #jobs = inject(PracticeJobs);
  readonly #shop = this.#store.selectSignal(selectShop);

  /** The vehicle of the exercise stands at the simulated instruments, and a job of this device alone is opened for it. */
  begin(exercise: Exercise): void {
    const shop = this.#shop();
    if (shop === null) return;
    const { seed, severity, title } = exercise;
    this.#api.moveSimulatedVehicle(shop, { fault: exercise.faults[0]!, severity, seed }).subscribe({
      next: () => {
        const job = newId();
        const { system, complaint, conditions } = benchCase(exercise);
        const body = {
          id: job,
          vehicle: { id: newId(), name: title },
          system,
          ...(complaint && { complaint }),
          ...(conditions && { conditions }),
        };
        const item = queued({ kind: 'new-job', shop, job, body });
        this.#jobs.add(job, exercise);
        this.#store.dispatch(OutboxActions.queued({ item: { ...item, state: 'held' } }));
        void this.#router.navigate(['/jobs', job]);
      },
      error: () => this.#toasts.say('No simulated instruments run beside this server: practice in the bay instead.'),
    });
  }

  /** The visit is over: nothing of it stays but its result. */
  end(job: string): void {
    this.#jobs.drop(job);
    this.#store.dispatch(OutboxActions.heldDiscarded({ job }));
  }
}

import { Injectable, computed, inject } from '@angular/core';
import { TESTS, isTestName } from '@tetrad/core';
import { JobStore } from '../../job/job.store';
import type { LiveStep } from '../../instruments/live/live-step';

/** Beside the wheel the reading that comes next is shown, as the bench would ask for it. */
@Injectable()
export class WheelLiveStep implements LiveStep {
  readonly #job = inject(JobStore);
  readonly open = computed(
    () => {
      const test = this.#job.judgement()?.next[0]?.test;
      if (test === undefined || !isTestName(test)) return null;
      return { test, asks: TESTS[test].places[0]?.asks ?? {} };
    },
    { equal: (a, b) => a?.test === b?.test },
  );
}

import { Injectable, computed, inject } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { VisitView } from '@tetrad/contracts';
import { criteriaOfJob } from '@tetrad/contracts';
import { headline, readingWords, survey } from '@tetrad/core';
import type { Assessment, Grade, RouteStep, SymptomName } from '@tetrad/core';
import { comebackOf } from '@tetrad/core/outcomes';
import { Sentences } from '../../device/sentences';
import { JobStore } from '../../job/job.store';
import { Api } from '../../api/api';
import { selectShop } from '../../state/session/session.feature';
import { BENCH_STEPS } from './route/bench-steps';
import { belongs, keyOf, nameOfStep } from './route/step-key';

/** A reading of the last visit or of this one, as it is compared. */
export interface Compared {
  readonly words: string;
  readonly grade: Grade;
}
export interface ComparedRow {
  readonly key: string;
  readonly name: string;
  readonly then: Compared | null;
  readonly now: Compared | null;
}

/** The vehicle's visit before this one: how it ended, what was fitted, and each of its readings beside the one of today. */
@Injectable()
export class LastVisit {
  readonly #api = inject(Api);
  readonly #job = inject(JobStore);
  readonly #voice = inject(Sentences).voice;
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly #vehicle = computed(() => (this.#job.isQuick() ? null : (this.#job.view()?.vehicle.id ?? null)));

  readonly #visits = rxResource({
    params: () => {
      const [shop, vehicle] = [this.#shop(), this.#vehicle()];
      return shop === null || vehicle === null ? undefined : { shop, vehicle };
    },
    stream: ({ params: { shop, vehicle } }) => this.#api.listVisits(shop, vehicle),
  });
  /** The earlier visit that was signed off with the same complaint within 90 days; null where this is no comeback. */
  readonly comeback = computed(() => {
    const view = this.#job.view();
    if (!view || !this.#visits.hasValue()) return null;
    const visits = this.#visits.value().map((visit) => ({
      visit,
      symptoms: visit.symptoms as readonly SymptomName[],
      openedAt: visit.openedAt,
      signedAt: visit.signOff?.at ?? null,
    }));
    return comebackOf({ symptoms: view.case.complaint?.symptoms ?? [], openedAt: view.openedAt }, visits);
  });
  /** The one it is a comeback of, else the newest visit before this one in which something was read; null where there was none. */
  readonly visit = computed(() => {
    const openedAt = this.#job.view()?.openedAt;
    if (openedAt === undefined || !this.#visits.hasValue()) return null;
    const back = this.comeback()?.earlier.visit;
    if (back?.decision) return back;
    const earlier = (visit: VisitView): boolean => Date.parse(visit.openedAt) < Date.parse(openedAt);
    return this.#visits.value().find((visit) => earlier(visit) && visit.decision !== null) ?? null;
  });
  readonly #view = rxResource({
    params: () => {
      const [shop, visit] = [this.#shop(), this.visit()];
      return shop === null || visit === null ? undefined : { shop, job: visit.job };
    },
    stream: ({ params: { shop, job } }) => this.#api.getJob(shop, job),
  });
  readonly #then = computed((): readonly Assessment[] => {
    if (!this.#view.hasValue()) return [];
    const view = this.#view.value();
    return survey(view.case, criteriaOfJob(view)).assessments;
  });

  /** How it ended, and what was fitted. */
  readonly ended = computed(() => {
    const visit = this.visit();
    if (!visit?.decision) return null;
    const { words, tone } = headline(visit.decision, visit.signOff, this.#voice());
    return { words, tone, fitted: visit.signOff?.partsFitted.join(', ') ?? '' };
  });
  /** What was read at a step on that visit: the newest that counts. */
  at(step: RouteStep): Compared | null {
    return this.#newest(this.#then(), step);
  }
  /** Every step that was read then or now, in the order of the route: the newest reading that counts. */
  readonly rows = computed((): readonly ComparedRow[] =>
    BENCH_STEPS.flatMap((step) => {
      const [then, now] = [this.at(step), this.#newest(this.#job.assessments(), step)];
      return then || now ? [{ key: keyOf(step), name: nameOfStep(step), then, now }] : [];
    }),
  );

  #newest(assessments: readonly Assessment[], step: RouteStep): Compared | null {
    const found = assessments.findLast(
      ({ reading, grade }) => belongs(reading, step) && grade !== 'void' && reading.value !== null,
    );
    return found ? { words: readingWords(found.reading, this.#voice()), grade: found.grade } : null;
  }
}

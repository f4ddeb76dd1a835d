/**
 * The job in view: what the server told of it with everything entered here, seen by the core in this browser,
 * and every act upon it. Bench, wheel and report share it; each has its own while it is open.
 */
import { computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { patchState, signalStore, withComputed, withHooks, withMethods, withState } from '@ngrx/signals';
import { criteriaOfJob } from '@tetrad/contracts';
import { BALANCED, fourNoteProfile, judgeSurvey, survey } from '@tetrad/core';
import { OutboxActions } from '../outbox/outbox.actions';
import { selectHeld, selectItems } from '../outbox/outbox.feature';
import { queued, withOutbox } from '../outbox/outbox-item';
import type { Act, OutboxDraft } from '../outbox/outbox-item';
import { selectShop, selectWho } from '../state/session/session.feature';
import { JobActions, selectJobLoading, selectJobs, selectOthers } from './jobs.feature';
import { withCommands } from './commands';

export const JobStore = signalStore(
  withState<{ readonly id: string | null }>({ id: null }),
  withComputed(({ id }, store = inject(Store)) => {
    const jobs = store.selectSignal(selectJobs);
    const items = store.selectSignal(selectItems);
    const held = store.selectSignal(selectHeld);
    /** The job with everything entered here, stored or not. */
    const view = computed(() => {
      const now = id();
      return now === null ? null : withOutbox(jobs()[now] ?? null, now, items());
    });
    const criteria = computed(() => {
      const now = view();
      return now ? criteriaOfJob(now) : BALANCED;
    });
    /** The case alone: timers and acknowledgements do not make it anew. */
    const subject = computed(() => view()?.case ?? null);
    const surveyed = computed(() => {
      const given = subject();
      return given && survey(given, criteria());
    });
    return {
      view,
      criteria,
      /** What is void, and every grade. */
      surveyed,
      assessments: computed(() => surveyed()?.assessments ?? []),
      judgement: computed(() => {
        const seen = surveyed();
        return seen && judgeSurvey(seen);
      }),
      profile: computed(() => {
        const [given, seen] = [subject(), surveyed()];
        return given && seen && fourNoteProfile(seen.assessments, given.system, seen.gradedCase);
      }),
      pass: computed(() => view()?.pass ?? 'before'),
      /** Ids of readings that the server has not stored yet. */
      pending: computed(
        () => new Set(items().flatMap((item) => (item.kind === 'reading' ? [item.body.reading.id] : []))),
      ),
      /** True for a quick check: it is on this device only until it becomes a job. */
      isQuick: computed(() => held().some(({ job }) => job === id())),
      loading: store.selectSignal(selectJobLoading),
      /** Who else has it open on another device. */
      others: store.selectSignal(selectOthers),
      /** Who works at this device; empty where nobody has said. */
      who: store.selectSignal(selectWho),
    };
  }),
  withMethods((state, store = inject(Store)) => {
    const shop = store.selectSignal(selectShop);
    return {
      open(id: string): void {
        patchState(state, { id });
        store.dispatch(JobActions.opened({ id }));
      },
      /** Hands an act over to the outbox; before a shop is known nothing can be entered. */
      act(act: Act): void {
        const [here, job] = [shop(), state.id()];
        if (here === null || job === null) return;
        const draft = { ...act, shop: here, job } as OutboxDraft;
        store.dispatch(OutboxActions.queued({ item: queued(draft) }));
      },
    };
  }),
  withCommands(),
  withHooks((_state, store = inject(Store)) => ({ onDestroy: () => store.dispatch(JobActions.left()) })),
);
export type JobStore = InstanceType<typeof JobStore>;

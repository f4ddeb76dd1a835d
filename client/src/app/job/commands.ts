/** Every act upon a job, in one place: what is queued for it, and what takes it back. */
import { inject } from '@angular/core';
import { patchState, signalStoreFeature, type, withMethods, withState } from '@ngrx/signals';
import type { Signal } from '@angular/core';
import type { Acknowledge, JobChanges, JobView, NewSignOff, TimerView } from '@tetrad/contracts';
import { OBSERVATIONS, TESTS, WAITS, WAIT_KINDS, readingWords, waitsEndedBy } from '@tetrad/core';
import type { CriteriaSet, Observation, ObservationName, Pass, Reading, TestName, WaitKind } from '@tetrad/core';
import { Clock } from '../device/clock';
import { Sentences } from '../device/sentences';
import type { Act } from '../outbox/outbox-item';
import { Toasts } from '../kit/toasts';
import { newId } from '../device/new-id';
import { MAX_UNDONE, keepUndo, keptUndo } from './undo';
import type { Done } from './undo';

/** What is saved of one entry; the command adds id, test, pass and who. */
export type EnteredReading = Pick<
  Reading,
  | 'value'
  | 'notPossible'
  | 'battery'
  | 'instrument'
  | 'uncertainty'
  | 'resolution'
  | 'lowest'
  | 'highest'
  | 'live'
  | 'capture'
> & {
  readonly conditions: Readonly<Record<string, string | number | boolean>>;
};
/** What a closed job is told, whoever wants to change what it was closed with. */
const CLOSED = 'This job is closed. Reopen it before you change it.';
const OF_EVIDENCE: ReadonlySet<Act['kind']> = new Set(['reading', 'void', 'observation', 'take-back']);

/** A closed job takes no evidence, and no change but that it is opened again or given to somebody else. */
function isRefused(act: Act, job: JobView | null): boolean {
  if (job?.status !== 'closed') return false;
  if (act.kind !== 'changes') return OF_EVIDENCE.has(act.kind);
  const { version: _version, assignee: _assignee, status, ...changed } = act.body;
  return status !== 'open' && Object.keys(changed).length > 0;
}

/** Changes to a job, without the version they are made on. */
export type LabelChanges = Omit<JobChanges, 'version'>;
/** With the shop's own set, where one was chosen. */
export type ChosenChanges = LabelChanges & { readonly criteriaSet?: CriteriaSet };

/**
 * The acts of bench, wheel and quick check.
 *
 * @typeParam _ Not used: a feature that asks for something of its store must be generic to be put beside others.
 */
export const withCommands = <_>() =>
  signalStoreFeature(
    {
      props: type<{ view: Signal<JobView | null>; pass: Signal<Pass>; who: Signal<string> }>(),
      methods: type<{ act: (act: Act) => void }>(),
    },
    /** What was done here, newest last, and the ids of what was saved on this device. */
    withState<{ readonly done: readonly Done[]; readonly own: ReadonlySet<string> }>({
      done: [],
      own: new Set<string>(),
    }),
    withMethods((store, clock = inject(Clock), voice = inject(Sentences), toasts = inject(Toasts)) => {
      const named = () => (store.who() === '' ? {} : { by: store.who() });
      const passed = () => (store.pass() === 'after' ? ({ pass: 'after' } as const) : {});
      /** Hands an act over, and remembers a reading that it saves as one of this device. */
      const send = (act: Act): void => {
        if (act.kind === 'reading') patchState(store, ({ own }) => ({ own: new Set([...own, act.body.reading.id]) }));
        store.act(act);
      };
      const remember = (done: readonly Done[]): void => {
        patchState(store, { done });
        const job = store.view();
        if (job) keepUndo(job.id, done);
      };
      /** The waits that an act ends, begun again where it is taken back. */
      const waitsAgain = (kinds: readonly WaitKind[]): readonly Act[] =>
        (store.view()?.timers ?? []).filter(({ kind }) => kinds.includes(kind)).map(begunAgain);
      /** Does something, and keeps how it is taken back. */
      const take = (says: string, act: Act, back: readonly Act[], at: string | null = null): void => {
        if (isRefused(act, store.view())) return toasts.say(CLOSED);
        send(act);
        remember([...store.done(), { says, back, at }].slice(-MAX_UNDONE));
      };
      const voiding = (id: string, reason: string): Act => ({ kind: 'void', reading: id, body: { reason } });
      const starting = (body: { kind: WaitKind; seconds?: number }, startedAt: number): Act => ({
        kind: 'timer',
        startedAt,
        body: { id: newId(), ...body },
      });
      return {
        /** @returns the id of the reading. */
        read(test: TestName, entered: EnteredReading, at: string | null = null): string {
          const reading = { ...entered, id: newId(), test, ...named(), ...passed() } as Reading;
          const says = `${TESTS[test].name}: ${readingWords(reading, voice.voice())}`;
          const ends = waitsEndedBy(reading);
          const back = [voiding(reading.id, 'Undone'), ...waitsAgain(ends)];
          take(says, { kind: 'reading', body: { reading }, ends }, back, at);
          return reading.id;
        },
        voidReading({ id, reason }: { readonly id: string; readonly reason: string }): void {
          const known = store.view()?.case.readings.find((reading) => reading.id === id);
          // evidence stays: what was voided by mistake is added anew
          const back: Act[] = known ? [{ kind: 'reading', body: { reading: { ...known, id: newId() } } }] : [];
          take('Reading voided', voiding(id, reason), back);
        },
        observe(about: ObservationName, finding: string, at: string | null = null): void {
          const observation = { about, finding, ...passed() } as Observation;
          const id = newId();
          const back: Act = { kind: 'take-back', observation: id, said: observation };
          const says = `${OBSERVATIONS[about].name}: ${finding.replaceAll('-', ' ')}`;
          take(says, { kind: 'observation', body: { id, observation } }, [back], at);
        },
        change({ criteriaSet, ...changes }: ChosenChanges, says = 'Changed'): void {
          const job = store.view();
          if (!job) return;
          const body = { version: job.version, ...changes };
          const back: Act = {
            kind: 'changes',
            body: before(job, changes),
            ...(job.criteriaSet && { criteriaSet: job.criteriaSet }),
          };
          take(says, { kind: 'changes', body, ...(criteriaSet && { criteriaSet }) }, [back]);
        },
        wait({ kind, seconds }: { readonly kind: WaitKind; readonly seconds?: number }): void {
          const act = starting({ kind, ...(seconds !== undefined && { seconds }) }, clock.now());
          const back: Act[] = act.kind === 'timer' ? [{ kind: 'timer-stop', timer: act.body.id }] : [];
          take(`${WAITS[kind].name} begun`, act, back);
        },
        stop(id: string): void {
          const timer = store.view()?.timers.find((known) => known.id === id);
          take(timer ? `${WAITS[timer.kind].name} stopped` : 'Stopped', { kind: 'timer-stop', timer: id }, [
            ...(timer ? [begunAgain(timer)] : []),
          ]);
        },
        acknowledge(body: Acknowledge): void {
          take('Caution understood', { kind: 'acknowledgement', body, by: store.who() }, [
            { kind: 'acknowledgement-back', caution: body.caution },
          ]);
        },
        signOff(body: Omit<NewSignOff, 'id'>): void {
          const job = store.view();
          const back: Act[] = job
            ? [{ kind: 'changes', body: { version: job.version, status: 'open' } }, ...waitsAgain(WAIT_KINDS)]
            : [];
          take('Signed off', { kind: 'sign-off', body: { id: newId(), ...body }, by: store.who() }, back);
        },
        /** What was done on a job in this tab can be taken back, also after the page was loaded anew. */
        recall(job: string): void {
          patchState(store, { done: keptUndo(job), own: new Set<string>() });
        },
        /** Takes back what was done last. @returns it, or null where there is nothing. */
        undo(): Done | null {
          const last = store.done().at(-1) ?? null;
          if (last === null) return null;
          remember(store.done().slice(0, -1));
          for (const act of last.back) send(renewed(act, store.view()));
          return last;
        },
      };
      function begunAgain({ kind, seconds, startedAt }: TimerView): Act {
        return starting({ kind, seconds }, Date.parse(startedAt));
      }
    }),
  );

/** What the job held where `changes` change it. */
function before(job: JobView, changes: LabelChanges): JobChanges {
  const { system, complaint = {}, conditions = {} } = job.case;
  const held: LabelChanges = {
    system,
    complaint,
    conditions,
    criteria: job.criteria,
    status: job.status,
    assignee: job.assignee ?? '',
    pass: job.pass,
    vehicle: {
      name: job.vehicle.name,
      plate: job.vehicle.plate ?? '',
      ...(job.vehicle.vin && { vin: job.vehicle.vin }),
    },
  };
  const fields = Object.keys(changes) as (keyof LabelChanges)[];
  return { version: job.version, ...Object.fromEntries(fields.map((field) => [field, held[field]])) };
}

/** A change is made on the version of now, also where it takes one back. */
const renewed = (act: Act, job: JobView | null): Act =>
  act.kind === 'changes' && job ? { ...act, body: { ...act.body, version: job.version } } : act;

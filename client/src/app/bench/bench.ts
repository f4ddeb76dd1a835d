import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { SYMPTOMS, ENGLISH, STEP_NAMES, blockedSteps, openRepeats, repeatsOf, stepMinutes } from '@tetrad/core';
import type { CautionName, NextStep, Reading, RouteStep, StepName, TickName, WaitKind } from '@tetrad/core';
import { BudgetView } from '../parts/budget-view';
import { ProfileView } from '../parts/profile-view';
import { toggled } from '../parts/toggled';
import { Clock } from '../state/clock/clock';
import { JobActions } from '../state/job/job.reducer';
import {
  selectAssessments,
  selectCriteria,
  selectIsHeld,
  selectJob,
  selectJobLoading,
  selectJudgement,
  selectPendingReadings,
  selectProfile,
  selectSurvey,
} from '../state/job/job.selectors';
import { newId } from '../state/new-id';
import { Entries } from '../state/outbox/entries';
import type { OutboxDraft } from '../state/outbox/outbox-item';
import { OutboxActions } from '../state/outbox/outbox.actions';
import { selectWho } from '../state/shop/shop.reducer';
import { JobLabel } from './job/job-label';
import { QuickStrip } from './job/quick-strip';
import type { QuickVehicle } from './job/quick-strip';
import { SignOffDialog } from './job/sign-off-dialog';
import type { SignOffDraft } from './job/sign-off-dialog';
import { WheelLink } from './job/wheel-link';
import { BENCH_STEPS } from './route/bench-steps';
import { RouteList } from './route/route-list';
import { belongs, findStep, keyOf, stepNameOf } from './route/step-key';
import { Verdicts } from './says/verdicts';
import type { EnteredReading } from './step/reading-entry';
import { StepPanel } from './step/step-panel';
import { TimerChips } from '../waiting/timer-chips';

/** Why a test is asked for once more. */
const AGAIN = { code: 'again-after-repair', with: {} } as const;

/** One job: the route, the step at hand, what it says, and the profile. */
@Component({
  selector: 'tt-bench',
  imports: [
    RouterLink,
    ProfileView,
    BudgetView,
    JobLabel,
    QuickStrip,
    RouteList,
    SignOffDialog,
    StepPanel,
    TimerChips,
    Verdicts,
    WheelLink,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bench.html',
  styleUrl: './bench.css',
  host: { '(document:keydown)': 'onKey($event)' },
})
export class Bench {
  readonly #store = inject(Store);
  readonly #router = inject(Router);
  readonly #clock = inject(Clock);
  readonly #entries = inject(Entries);

  /** The job's id, from the address. */
  readonly job = input.required<string>();

  protected readonly view = this.#store.selectSignal(selectJob);
  protected readonly loading = this.#store.selectSignal(selectJobLoading);
  protected readonly criteria = this.#store.selectSignal(selectCriteria);
  protected readonly assessments = this.#store.selectSignal(selectAssessments);
  protected readonly surveyed = this.#store.selectSignal(selectSurvey);
  protected readonly judgement = this.#store.selectSignal(selectJudgement);
  protected readonly profile = this.#store.selectSignal(selectProfile);
  protected readonly pending = this.#store.selectSignal(selectPendingReadings);
  protected readonly isQuick = this.#store.selectSignal(selectIsHeld);
  readonly #who = this.#store.selectSignal(selectWho);

  readonly #chosen = signal<string | null>(null);
  /** The last reading saved here and its step: what undo takes back, and where it returns to. */
  readonly #last = signal<{ readonly id: string; readonly step: RouteStep } | null>(null);
  protected readonly ticked = signal<ReadonlySet<TickName>>(new Set());
  protected readonly linking = signal(false);
  protected readonly signing = signal(false);
  protected readonly panel = viewChild(StepPanel);
  protected readonly label = viewChild(JobLabel);

  protected readonly pass = computed(() => this.view()?.pass ?? 'before');
  protected readonly repeats = computed(() => {
    const surveyed = this.surveyed();
    return surveyed ? repeatsOf(surveyed) : [];
  });
  /** What to do next: after a repair the same tests, else what the judge asks for. */
  protected readonly next = computed((): NextStep | null => {
    const [again] = this.pass() === 'after' ? openRepeats(this.repeats()) : [];
    if (!again) return this.judgement()?.next[0] ?? null;
    return {
      test: again.test,
      because: ENGLISH.say(AGAIN),
      ...AGAIN,
      minutes: stepMinutes(again.test) ?? 2,
      conditions: again.loads ? { loads: again.loads } : {},
    };
  });

  /** The step at hand: chosen, else what comes next, else the first note not read. */
  protected readonly step = computed((): RouteStep => {
    const chosen = BENCH_STEPS.find((step) => keyOf(step) === this.#chosen());
    const next = this.next();
    return (
      chosen ??
      (next && findStep(next.test, next.conditions['loads'])) ??
      BENCH_STEPS.find((step) => this.#isOpenNote(step)) ??
      findStep('resting-voltage')!
    );
  });
  protected readonly blocked = computed(() => {
    const surveyed = this.surveyed();
    return surveyed ? blockedSteps(surveyed.situation, STEP_NAMES) : new Map<StepName, never>();
  });
  protected readonly blockedNow = computed(() => {
    const name = stepNameOf(this.step());
    return (name !== null && this.blocked().get(name)) || null;
  });
  protected readonly symptoms = computed(() =>
    (this.view()?.case.complaint?.symptoms ?? []).map((name) => SYMPTOMS[name].name).join(', '),
  );

  /** What the foot shows: the profile, or where the volts went. */
  protected readonly foot = signal<'profile' | 'starting' | 'charging'>('profile');
  protected readonly budgets = computed(() => {
    const { starting = [], charging = [] } = this.judgement()?.budget ?? {};
    const all = [
      { name: 'starting', label: 'Volts while starting', pieces: starting },
      { name: 'charging', label: 'Volts while charging', pieces: charging },
    ] as const;
    return all.filter(({ pieces }) => pieces.length > 0);
  });
  protected readonly budget = computed(() => this.budgets().find(({ name }) => name === this.foot()) ?? null);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.#store.dispatch(JobActions.left()));
    effect(() => {
      const id = this.job();
      untracked(() => {
        this.#chosen.set(null);
        this.#last.set(null);
        this.ticked.set(new Set());
        this.#store.dispatch(JobActions.opened({ id }));
      });
    });
  }

  protected choose(step: RouteStep): void {
    this.#chosen.set(keyOf(step));
  }
  /** Goes to the step a judgement, a timer or a path names. */
  protected goTo(name: StepName, loads?: unknown): void {
    if (name === 'label') this.label()?.editing.set(true);
    const step = findStep(name, loads);
    if (step) this.choose(step);
  }
  protected onward(): void {
    this.#chosen.set(null);
  }

  protected toggleTick(name: TickName): void {
    this.ticked.update((before) => toggled(before, name));
  }

  protected record(entered: EnteredReading): void {
    const step = this.step();
    if (step.kind !== 'reading') return;
    const id = newId();
    const by = this.#who();
    const reading = {
      ...entered,
      id,
      test: step.test,
      ...(by !== '' && { by }),
      ...(this.pass() === 'after' && { pass: 'after' }),
    } as Reading;
    this.#queue((shop, job) => ({ kind: 'reading', shop, job, body: { reading } }));
    this.#last.set({ id, step });
    this.#follow(step);
  }

  protected voidReading({ id, reason }: { id: string; reason: string }): void {
    const by = this.#who();
    this.#queue((shop, job) => ({ kind: 'void', shop, job, reading: id, body: { reason, ...(by !== '' && { by }) } }));
  }

  protected observe(finding: string): void {
    const step = this.step();
    if (step.kind !== 'observe') return;
    const pass = this.pass();
    const observation = { about: step.about, finding, ...(pass === 'after' && { pass }) };
    this.#queue((shop, job) => ({ kind: 'observation', shop, job, body: { id: newId(), observation } }));
    this.onward();
  }

  protected change(changes: Omit<Extract<OutboxDraft, { kind: 'changes' }>['body'], 'version'>): void {
    const version = this.view()?.version ?? 1;
    this.#queue((shop, job) => ({ kind: 'changes', shop, job, body: { version, ...changes } }));
  }

  protected wait({ kind, seconds }: { kind: WaitKind; seconds?: number }): void {
    const body = { id: newId(), kind, ...(seconds !== undefined && { seconds }) };
    this.#queue((shop, job) => ({ kind: 'timer', shop, job, startedAt: this.#clock.now(), body }));
  }
  protected stop(timer: string): void {
    this.#queue((shop, job) => ({ kind: 'timer-stop', shop, job, timer }));
  }
  protected follow({ id, kind }: { id: string; kind: WaitKind }): void {
    this.stop(id);
    this.wait({ kind });
  }
  protected acknowledge(body: { caution: CautionName; by: string }): void {
    this.#queue((shop, job) => ({ kind: 'acknowledgement', shop, job, body }));
  }

  protected repairDone(): void {
    this.change({ pass: 'after', status: 'open' });
    this.onward();
  }
  protected signOff(draft: SignOffDraft): void {
    this.#queue((shop, job) => ({ kind: 'sign-off', shop, job, body: { id: newId(), ...draft } }));
    this.signing.set(false);
    void this.#router.navigate(['/jobs', this.job(), 'report']);
  }
  protected makeJob(vehicle: QuickVehicle): void {
    this.#store.dispatch(OutboxActions.released({ job: this.job(), vehicle }));
  }
  protected discardQuick(): void {
    this.#store.dispatch(OutboxActions.heldDiscarded({ job: this.job() }));
    void this.#router.navigate(['/floor']);
  }

  /** After a note comes the next open one; after a repair the next test to repeat; else the step stays. */
  #follow(step: RouteStep): void {
    const at = BENCH_STEPS.indexOf(step);
    const open = (candidate: RouteStep): boolean => candidate !== step && this.#isOpenNote(candidate);
    const following = BENCH_STEPS.slice(at + 1).find(open) ?? BENCH_STEPS.find(open);
    const more = step.kind === 'reading' && step.perBattery && (this.view()?.case.system.battery.count ?? 1) > 1;
    if (more) this.choose(step);
    else if (this.pass() === 'after') this.onward();
    else this.choose(step.kind === 'reading' && step.note && following ? following : step);
  }

  #isOpenNote(step: RouteStep): boolean {
    return (
      step.kind === 'reading' &&
      step.note === true &&
      !this.assessments().some(
        ({ reading }) =>
          belongs(reading, step) && reading.void === undefined && (reading.pass ?? 'before') === this.pass(),
      )
    );
  }

  #queue(draft: (shop: string, job: string) => OutboxDraft): void {
    this.#entries.queue((shop) => draft(shop, this.job()));
  }

  protected onKey(event: KeyboardEvent): void {
    if (document.querySelector('[role=dialog]')) return;
    if (event.altKey) return this.#onAlt(event);
    if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
    if (event.target instanceof HTMLSelectElement || event.target instanceof HTMLTextAreaElement) return;
    event.preventDefault();
    const at = BENCH_STEPS.indexOf(this.step()) + (event.key === 'ArrowDown' ? 1 : -1);
    this.choose(BENCH_STEPS[Math.min(BENCH_STEPS.length - 1, Math.max(0, at))]!);
  }

  #onAlt(event: KeyboardEvent): void {
    const step = this.step();
    const keys: Readonly<Partial<Record<string, () => void>>> = {
      KeyP: () => void this.#router.navigate(['/jobs', this.job(), 'report']),
      KeyZ: () => this.#undo(),
      KeyN: () => this.onward(),
      KeyA: () => this.panel()?.acceptCaution(),
      KeyC: () => {
        if (step.kind === 'reading' && step.waits?.includes('crank')) this.panel()?.countDown();
      },
      KeyH: () => this.panel()?.entry()?.holdAll(),
      KeyS: () => this.signing.set(true),
      KeyW: () => this.linking.set(true),
    };
    const run = keys[event.code];
    if (!run) return;
    event.preventDefault();
    run();
  }

  #undo(): void {
    const last = this.#last();
    if (last === null) return;
    this.voidReading({ id: last.id, reason: 'Undone' });
    this.choose(last.step);
    this.#last.set(null);
  }
}

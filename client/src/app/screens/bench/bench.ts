import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { SYMPTOMS, minutesOfWork, withSteadyMinutes } from '@tetrad/core';
import type { Judgement, WaitKind } from '@tetrad/core';
import { Figures } from '../../device/figures';
import { Sentences } from '../../device/sentences';
import { JobStore } from '../../job/job.store';
import { Button } from '../../kit/button';
import { NotLoaded } from '../../kit/not-loaded';
import { Coming, Failed } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { PracticeJobs } from '../../practice/practice-jobs';
import { OutboxActions } from '../../outbox/outbox.actions';
import { TimerChips } from '../../waiting/timer-chips';
import { Arrivals } from './arrivals';
import { benchKeys } from './bench-keys';
import { Foot } from './foot/foot';
import { JobLabel } from './job/job-label';
import { OutcomeStrip } from './job/outcome-strip';
import { PracticeStrip } from './job/practice-strip';
import { QuickStrip } from './job/quick-strip';
import type { QuickVehicle } from './job/quick-strip';
import { SignOffDialog } from './job/sign-off-dialog';
import type { SignOffDraft } from './job/sign-off-form';
import { WheelLink } from './job/wheel-link';
import { LastVisit } from './last-visit';
import { RouteList } from './route/route-list';
import { stepNameOf } from './route/step-key';
import { Verdicts } from './says/verdicts';
import { StepAtHand } from './step-at-hand';
import { StepPanel } from './step/step-panel';

/** One job: the route, the step at hand, what it says, and the profile. */
@Component({
  selector: 'tt-bench',
  imports: [
    Button,
    Coming,
    Failed,
    Foot,
    JobLabel,
    NotLoaded,
    OutcomeStrip,
    PracticeStrip,
    QuickStrip,
    RouteList,
    RouterLink,
    SignOffDialog,
    StepPanel,
    TimerChips,
    Verdicts,
    WheelLink,
  ],
  providers: [Arrivals, JobStore, LastVisit, StepAtHand],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bench.html',
  styleUrl: './bench.css',
})
export class Bench {
  readonly #store = inject(Store);
  readonly #router = inject(Router);
  readonly #toasts = inject(Toasts);
  readonly #figures = inject(Figures);
  readonly #voice = inject(Sentences).voice;
  protected readonly job = inject(JobStore);
  protected readonly at = inject(StepAtHand);
  protected readonly arrivals = inject(Arrivals);

  /** The job's id, from the address. */
  readonly id = input.required<string>();
  /** The key of the step to begin at, where the address names one. */
  readonly step = input<string>();

  readonly #practiceJobs = inject(PracticeJobs);
  /** The exercise of a practice job; null for every other. */
  protected readonly practice = computed(() => this.#practiceJobs.of(this.id()));
  protected readonly stepNow = computed(() => stepNameOf(this.at.step()));

  protected readonly linking = signal(false);
  protected readonly signing = signal(false);
  protected readonly panel = viewChild(StepPanel);
  protected readonly label = viewChild(JobLabel);
  protected readonly foot = viewChild(Foot);
  protected readonly centre = viewChild<ElementRef<HTMLElement>>('centre');

  protected readonly symptoms = computed(() =>
    (this.job.view()?.case.complaint?.symptoms ?? []).map((name) => SYMPTOMS[name].name).join(', '),
  );
  /** Who else has the job open just now. */
  protected readonly also = computed(() =>
    this.job
      .others()
      .map(({ name, kind }) => (kind === 'phone' ? `${name} (phone)` : name))
      .join(', '),
  );
  /** The judgement with minutes that do not grow while the job is open here. */
  readonly #told = linkedSignal<{ readonly id: string | null; readonly said: Judgement | null }, Judgement | null>({
    source: () => ({ id: this.job.id(), said: this.job.judgement() }),
    computation: ({ id, said }, before) =>
      said && withSteadyMinutes(before?.source.id === id ? before.value : null, said),
  });
  /** Minutes of work so far, and about how many are left to a decision. */
  protected readonly minutes = computed(() => {
    const readings = this.job.view()?.case.readings ?? [];
    const used = minutesOfWork(readings.flatMap(({ at }) => (at === undefined ? [] : [at])));
    // before anything is read nobody knows what lies ahead
    const decision = this.#told()?.decision;
    const left = readings.length > 0 ? (decision?.minutes ?? 0) : 0;
    const steps = (decision?.plan ?? []).reduce((sum, visit) => sum + visit.steps, 0);
    const { plain } = this.#figures.format();
    return { used: plain(used, 0), left: left > 0 ? plain(left, 0) : null, steps };
  });

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => {
        this.at.onward();
        this.job.open(id);
        this.job.recall(id);
        this.at.chooseKey(this.step() ?? null);
      });
    });
    // on a phone the step lies above the route it was chosen from
    effect(() => {
      this.at.step();
      const centre = this.centre()?.nativeElement;
      if (centre && matchMedia('(max-width: 600px)').matches) centre.scrollIntoView({ block: 'start' });
    });
    // what was done is told, and can be taken back from there
    let before = { job: '', count: 0 };
    effect(() => {
      const now = { job: this.job.id() ?? '', count: this.job.done().length };
      untracked(() => {
        if (now.job === before.job && now.count > before.count)
          this.#toasts.say(`${this.job.done().at(-1)!.says}${this.#whyVoid()}`, () => this.undo());
        before = now;
      });
    });
    benchKeys({
      again: () => this.panel()?.readAgain(),
      undo: () => this.undo(),
      accept: () => this.panel()?.acceptCaution(),
      count: () => this.panel()?.countDown(),
      cannot: () => this.panel()?.askWhyNot(),
      wheel: () => this.linking.set(true),
      compare: () => this.foot()?.compare(),
      signOff: () => this.signing.set(true),
      guide: () => this.panel()?.guide.set(true),
      report: () => void this.#router.navigate(['/jobs', this.id(), 'report']),
    });
  }

  /** Of a reading that was just saved here and is void: why. */
  #whyVoid(): string {
    const newest = this.job.assessments().at(-1);
    const isNew = newest?.grade === 'void' && newest.reading.void === undefined && this.job.pending().has(newest.id);
    return isNew ? `. Void: ${this.#voice().say(newest.because)}` : '';
  }
  protected correctLabel(): void {
    this.label()?.editing.set(true);
  }
  protected follow({ id, kind }: { id: string; kind: WaitKind }): void {
    this.job.stop(id);
    this.job.wait({ kind });
  }
  protected undo(): void {
    const undone = this.job.undo();
    if (undone === null) return this.#toasts.say('Nothing was done on this job in this tab that can be taken back.');
    this.#toasts.say(`Taken back: ${undone.says}`);
    if (undone.at !== null) this.at.chooseKey(undone.at);
  }
  protected repairDone(): void {
    this.job.change({ pass: 'after', status: 'open' }, 'Repair done');
    this.at.onward();
  }
  protected reopen(): void {
    this.job.change({ status: 'open' }, 'Reopened');
  }
  protected signOff(draft: SignOffDraft): void {
    this.job.signOff(draft);
    this.signing.set(false);
    void this.#router.navigate(['/jobs', this.id(), 'report']);
  }
  protected makeJob(vehicle: QuickVehicle): void {
    this.#store.dispatch(OutboxActions.released({ job: this.id(), vehicle }));
  }
  protected discardQuick(): void {
    this.#store.dispatch(OutboxActions.heldDiscarded({ job: this.id() }));
    void this.#router.navigate(['/floor']);
  }
}

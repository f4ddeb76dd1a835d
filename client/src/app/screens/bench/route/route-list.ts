import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  computed,
  inject,
  linkedSignal,
  output,
} from '@angular/core';
import type { Assessment, RouteStep, StepName } from '@tetrad/core';
import { notPossibleWords, readingWords, stepName, triedReadings } from '@tetrad/core';
import { GradeMark } from '../../../kit/grade-mark';
import { toggled } from '../../../kit/toggled';
import { Sentences } from '../../../device/sentences';
import { JobStore } from '../../../job/job.store';
import { Button } from '../../../kit/button';
import { StepAtHand } from '../step-at-hand';
import { BENCH_GROUPS } from './bench-steps';
import { belongs, findStep, keyOf, nameOfStep, stepNameOf } from './step-key';
import { findingWords } from '../../../job/finding-words';

/** One line of the route, as it stands. */
interface RouteLine {
  readonly key: string;
  readonly step: RouteStep;
  readonly name: string;
  readonly isNote: boolean;
  readonly isAtHand: boolean;
  /** What was seen, where it is nothing that is read. */
  readonly value: string;
  /** The newest reading of this pass, of each battery where they were read by themselves. */
  readonly read: readonly {
    readonly id: string;
    readonly battery: number | undefined;
    readonly value: string;
    /** Words, or a figure for each cell: it may take several lines. */
    readonly isLong: boolean;
    readonly grade: Assessment['grade'];
  }[];
  readonly isNext: boolean;
  readonly blocked: string | null;
  /** Always shown, also where its group is folded. */
  readonly stays: boolean;
}

/** The route in working order: what is read, what is next, what must wait and why. */
@Component({
  selector: 'tt-route',
  imports: [Button, GradeMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './route-list.html',
  styleUrl: './route-list.css',
})
export class RouteList {
  readonly #voice = inject(Sentences);
  protected readonly job = inject(JobStore);
  protected readonly at = inject(StepAtHand);
  readonly repairDone = output();

  readonly #current = computed(() => BENCH_GROUPS.find(({ steps }) => steps.includes(this.at.step()))?.name ?? '');
  /** Groups unfolded by hand; the group of the step at hand always is. */
  readonly #unfolded = linkedSignal<string, ReadonlySet<string>>({
    source: this.#current,
    computation: () => new Set(),
  });

  protected readonly groups = computed(() =>
    BENCH_GROUPS.map((group) => {
      const lines = group.steps.map((step) => this.#line(step));
      const open = group.name === this.#current() || this.#unfolded().has(group.name);
      const shown = open ? lines : lines.filter(({ stays }) => stays);
      return {
        name: group.name,
        shown,
        open,
        hidden: lines.length - shown.length,
        isCurrent: group.name === this.#current(),
      };
    }),
  );

  /** After the repair: the same tests, before beside after. */
  protected readonly again = computed(() =>
    this.at.repeats().map((entry) => ({
      key: `${entry.test} ${entry.loads ?? ''}`,
      step: findStep(entry.test, entry.loads),
      name: stepName(entry.test) + (entry.loads === 'on' ? ', loads on' : ''),
      before: this.#shown(entry.before),
      after: entry.after ? this.#shown(entry.after) : '',
      grade: this.job.assessments().find(({ id }) => id === entry.after?.id)?.grade ?? null,
    })),
  );

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // the step at hand stays in view
    afterRenderEffect(() => {
      void this.at.step();
      const line = host.querySelector<HTMLElement>('[aria-current]');
      if (line && host.parentElement) keepInView(line, host.parentElement);
    });
  }

  protected toggle(name: string): void {
    this.#unfolded.update((before) => toggled(before, name));
  }

  #line(step: RouteStep): RouteLine {
    const name = stepNameOf(step);
    const newest = this.#newest(step);
    const value = newest.length > 0 ? '' : this.#seen(step);
    const next = this.at.next();
    const isNext =
      next !== null &&
      name === next.test &&
      (step.kind !== 'reading' ||
        step.fixed?.loads === undefined ||
        (next.conditions['loads'] ?? 'off') === step.fixed.loads);
    return {
      key: keyOf(step),
      step,
      name: nameOfStep(step),
      isNote: step.kind === 'reading' && step.note === true,
      isAtHand: step === this.at.step(),
      value,
      read: newest.map(({ reading, grade }) => ({
        id: reading.id,
        battery: reading.battery,
        value: this.#shown(reading),
        isLong: typeof reading.value !== 'number',
        grade,
      })),
      isNext,
      blocked: value === '' && newest.length === 0 && name !== null ? this.#why(name) : null,
      stays:
        value !== '' ||
        newest.length > 0 ||
        isNext ||
        step === this.at.step() ||
        (step.kind === 'reading' && step.note === true),
    };
  }

  #newest(step: RouteStep): readonly Assessment[] {
    const attempts = this.job.assessments().filter(({ reading }) => belongs(reading, step));
    return [...triedReadings(attempts, this.job.pass())].sort(
      (a, b) => (a.reading.battery ?? 0) - (b.reading.battery ?? 0),
    );
  }

  #shown(reading: Assessment['reading']): string {
    if (reading.value === null) return notPossibleWords(reading.notPossible);
    return readingWords(reading, this.#voice.voice());
  }

  #why(name: StepName): string | null {
    const first = this.at.blocked().get(name);
    return first ? this.#voice.voice().say(first.because) : null;
  }

  #seen(step: RouteStep): string {
    const { observations = [], complaint } = this.job.view()!.case;
    if (step.kind === 'ask') {
      const count = complaint?.symptoms?.length ?? 0;
      return count === 0 ? '' : `${count} noted`;
    }
    if (step.kind === 'label') return this.job.view()!.case.system.battery.rating?.confirmed ? 'confirmed' : '';
    if (step.kind !== 'observe') return '';
    const found = observations
      .filter(({ about, pass = 'before' }) => about === step.about && pass === this.job.pass())
      .at(-1);
    return found ? findingWords(found.finding) : '';
  }
}

/** Scrolls the route alone: on a phone the whole page scrolls, and must stay at the entry. */
function keepInView(line: HTMLElement, route: HTMLElement): void {
  if (route.scrollHeight <= route.clientHeight) return;
  const [inner, outer] = [line.getBoundingClientRect(), route.getBoundingClientRect()];
  if (inner.top < outer.top) route.scrollTop += inner.top - outer.top;
  else if (inner.bottom > outer.bottom) route.scrollTop += inner.bottom - outer.bottom;
}

import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  computed,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import type { Assessment, Case, ComesFirst, NextStep, Pass, RepeatedTest, RouteStep, StepName } from '@tetrad/core';
import { readingWords, stepName } from '@tetrad/core';
import { GradeMark } from '../../parts/grade-mark';
import { toggled } from '../../parts/toggled';
import { Figures } from '../../state/figures';
import { BENCH_GROUPS } from './bench-steps';
import { belongs, findStep, findingWords, keyOf, nameOfStep, stepNameOf } from './step-key';

/** One line of the route, as it stands. */
interface RouteLine {
  readonly key: string;
  readonly step: RouteStep;
  readonly name: string;
  readonly value: string;
  readonly grade: Assessment['grade'] | null;
  readonly isNext: boolean;
  readonly blocked: string | null;
  /** Always shown, also where its group is folded. */
  readonly stays: boolean;
}

/** The route in working order: what is read, what is next, what must wait and why. */
@Component({
  selector: 'tt-route',
  imports: [GradeMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './route-list.html',
  styleUrl: './route-list.css',
})
export class RouteList {
  readonly #figures = inject(Figures);
  readonly step = input.required<RouteStep>();
  readonly subject = input.required<Case>();
  readonly pass = input.required<Pass>();
  readonly assessments = input.required<readonly Assessment[]>();
  readonly next = input.required<NextStep | null>();
  readonly blocked = input.required<ReadonlyMap<StepName, ComesFirst>>();
  readonly repeats = input.required<readonly RepeatedTest[]>();
  readonly chosen = output<RouteStep>();
  readonly repairDone = output();

  protected readonly keyOf = keyOf;
  readonly #current = computed(() => BENCH_GROUPS.find(({ steps }) => steps.includes(this.step()))?.name ?? '');
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
    this.repeats().map((entry) => ({
      key: `${entry.test} ${entry.loads ?? ''}`,
      step: findStep(entry.test, entry.loads),
      name: stepName(entry.test) + (entry.loads === 'on' ? ', loads on' : ''),
      before: this.#shown(entry.before),
      after: entry.after ? this.#shown(entry.after) : '',
      grade: this.assessments().find(({ id }) => id === entry.after?.id)?.grade ?? null,
    })),
  );

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // the step at hand stays in view
    afterRenderEffect(() => {
      void this.step();
      const line = host.querySelector<HTMLElement>('[aria-current]');
      if (line && host.parentElement) keepInView(line, host.parentElement);
    });
  }

  protected toggle(name: string): void {
    this.#unfolded.update((before) => toggled(before, name));
  }

  #line(step: RouteStep): RouteLine {
    const name = stepNameOf(step);
    const newest = this.assessments()
      .filter(
        ({ reading }) =>
          belongs(reading, step) && reading.void === undefined && (reading.pass ?? 'before') === this.pass(),
      )
      .at(-1);
    const value = newest ? this.#shown(newest.reading) : this.#seen(step);
    const next = this.next();
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
      value,
      grade: newest?.grade ?? null,
      isNext,
      blocked: value === '' && name !== null ? this.#why(name) : null,
      stays: value !== '' || isNext || step === this.step() || (step.kind === 'reading' && step.note === true),
    };
  }

  #shown(reading: Assessment['reading']): string {
    return readingWords(reading, this.#figures.voice());
  }

  #why(name: StepName): string | null {
    const first = this.blocked().get(name);
    return first ? this.#figures.voice().say(first.because) : null;
  }

  #seen(step: RouteStep): string {
    const { observations = [], complaint } = this.subject();
    if (step.kind === 'ask') {
      const count = complaint?.symptoms?.length ?? 0;
      return count === 0 ? '' : `${count} noted`;
    }
    if (step.kind !== 'observe') return '';
    const found = observations
      .filter(({ about, pass = 'before' }) => about === step.about && pass === this.pass())
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

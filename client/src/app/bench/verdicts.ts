import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { JUDGED_PARTS, OBSERVATIONS, VERDICT_WORDS, decisionTone, decisionWords, formatProbability, nameOf, stepName } from '@tetrad/core';
import type { Judgement, ObservationName, RankedFault, StepName } from '@tetrad/core';
import { BENCH_STEPS } from './bench-steps';

/** Faults under this are not worth a line. */
const WORTH_SHOWING = 0.1;
const MOST_FAULTS = 5;
/** Lines of evidence shown for and against. */
const MOST_EVIDENCE = 3;

/** What the readings say together: the decision, the four verdicts, the faults, the next step. */
@Component({
  selector: 'tt-verdicts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './verdicts.html',
  styleUrl: './verdicts.css',
})
export class Verdicts {
  readonly judgement = input.required<Judgement>();
  /** An observation that the judge asks for next, or null. */
  readonly observation = input.required<ObservationName | null>();
  readonly chosen = output<StepName>();
  readonly observed = output<{ about: ObservationName; finding: string }>();

  protected readonly words = computed(() => decisionWords(this.judgement().decision));
  protected readonly tone = computed(() => decisionTone(this.judgement().decision));
  protected readonly next = computed(() => this.judgement().next[0] ?? null);
  protected readonly parts = computed(() =>
    JUDGED_PARTS.map((part) => ({
      part,
      ...this.judgement().parts[part],
      words: VERDICT_WORDS[this.judgement().parts[part].verdict],
    })),
  );
  protected readonly faults = computed(() =>
    this.judgement()
      .faults.filter(({ fault, probability }) => fault !== 'none' && probability >= WORTH_SHOWING)
      .slice(0, MOST_FAULTS)
      .map((entry) => ({
        ...entry,
        name: nameOf(entry.fault),
        share: Math.round(entry.probability * 100),
        shown: formatProbability(entry.probability),
        ...evidence(entry),
      })),
  );
  protected readonly findings = computed(() => {
    const about = this.observation();
    return about === null ? [] : OBSERVATIONS[about];
  });
  protected readonly nameOfStep = stepName;

  protected hasStep(name: StepName): boolean {
    return BENCH_STEPS.some(({ test }) => test === name);
  }
  protected conditions(): string {
    return Object.entries(this.next()?.conditions ?? {})
      .map(([name, value]) => CONDITION_WORDS[name]?.(value) ?? '')
      .filter(Boolean)
      .join(', ');
  }
}

const evidence = ({ evidence: all }: RankedFault): { for: readonly string[]; against: readonly string[] } => ({
  for: all
    .filter(({ weight }) => weight > 0)
    .slice(0, MOST_EVIDENCE)
    .map(({ says }) => says),
  against: all
    .filter(({ weight }) => weight < 0)
    .slice(0, MOST_EVIDENCE)
    .map(({ says }) => says),
});

const CONDITION_WORDS: Readonly<Record<string, (value: number | string | boolean) => string>> = {
  amps: (value) => `${value} A`,
  seconds: (value) => `${value} s`,
  rpm: (value) => `${value} rpm`,
  loads: (value) => `loads ${value}`,
  systemVolts: (value) => `loaded to ${value} V`,
  minutesAsleep: (value) => `${value} min asleep`,
  surfaceChargeRemoved: () => 'surface charge off first',
};

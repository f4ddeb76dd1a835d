import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import {
  JUDGED_PARTS,
  TESTS,
  VERDICT_WORDS,
  decisionTone,
  decisionWords,
  nameOf,
  planWords,
  readingWords,
  retell,
  ruledOutCauses,
  stepName,
} from '@tetrad/core';
import type { Judgement, NextStep, RankedFault, Reading, StepName, Voice } from '@tetrad/core';
import { findStep, nameOfStep } from '../route/step-key';
import { Button } from '../../../kit/button';
import { Sentences } from '../../../device/sentences';

/** Faults under this are not worth a line. */
const WORTH_SHOWING = 0.1;
const MAX_FAULTS = 5;
/** Lines of evidence shown for and against. */
const MAX_EVIDENCE = 3;

/** A line of evidence, and the reading it leans on where it leans on one. */
interface EvidenceLine {
  readonly says: string;
  readonly reading: Reading | undefined;
}

/** What the readings say together: the decision, the four verdicts, the faults, the next step. */
@Component({
  selector: 'tt-verdicts',
  imports: [Button],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './verdicts.html',
  styleUrl: './verdicts.css',
})
export class Verdicts {
  readonly #voice = inject(Sentences);
  readonly judgement = input.required<Judgement>();
  readonly readings = input.required<readonly Reading[]>();
  readonly next = input.required<NextStep | null>();
  readonly chosen = output<{ test: StepName; loads?: unknown }>();

  /** A sentence of the judgement as this person wants its figures. */
  protected readonly told = computed(() => {
    const voice = this.#voice.voice();
    return (said: Parameters<typeof retell>[0]): string => retell(said, voice);
  });
  protected readonly words = computed(() => decisionWords(this.judgement().decision, this.#voice.voice()));
  protected readonly tone = computed(() => decisionTone(this.judgement().decision));
  protected readonly parts = computed(() =>
    JUDGED_PARTS.map((part) => {
      const said = this.judgement().parts[part];
      const { verdict, missing, again = [] } = said;
      const named = (steps: readonly StepName[]) =>
        verdict === 'not-proven' ? steps.map((name) => ({ name, words: stepName(name) })) : [];
      return {
        part,
        verdict,
        because: this.told()(said),
        words: VERDICT_WORDS[verdict],
        open: [
          { says: 'missing:', steps: named(missing) },
          { says: 'to repeat:', steps: named(again) },
        ].filter(({ steps }) => steps.length > 0),
      };
    }),
  );
  /** Each battery of a pack that was read by itself. */
  protected readonly batteries = computed(() =>
    (this.judgement().batteries ?? []).map((said) => ({
      battery: said.battery,
      verdict: said.verdict,
      words: VERDICT_WORDS[said.verdict],
      because: this.told()(said),
      charge: said.stateOfCharge === undefined ? '' : this.#voice.voice().share(said.stateOfCharge),
    })),
  );
  protected readonly faults = computed(() =>
    this.judgement()
      .faults.filter(({ fault, probability }) => fault !== 'none' && probability >= WORTH_SHOWING)
      .slice(0, MAX_FAULTS)
      .map((entry) => ({
        ...entry,
        name: nameOf(entry.fault),
        share: Math.round(entry.probability * 100),
        shown: this.#isMeasured()
          ? this.#voice.voice().probability(entry.probability)
          : this.#voice.voice().guess(entry.probability),
        for: this.#evidence(entry, 1),
        against: this.#evidence(entry, -1),
      })),
  );
  /** Something that counts was measured: a probability before that is a guess. */
  readonly #isMeasured = computed(() => this.judgement().readings.some(({ grade }) => grade !== 'void'));
  /** What would change the leading fault. */
  protected readonly changes = computed(() => {
    const lines = (this.judgement().faults[0]?.wouldChange ?? []).map(({ says, code, with: figures }) =>
      capital(this.told()({ because: says, code, with: figures })),
    );
    return [...new Set(lines)]; // of a test that was read twice one sentence
  });
  /** What is left to read, visit by visit. */
  protected readonly plan = computed(() => planWords(this.judgement().decision));
  /** Nothing may be tested: only what to do is shown. */
  protected readonly isStopped = computed(() => this.judgement().decision.action === 'stop');
  /** Why it stops here, or what another step is worth. */
  protected readonly balance = computed(() => {
    const { balance } = this.judgement().decision;
    return balance ? this.told()(balance) : '';
  });
  /** The other causes that are ruled out, each once, with what excludes it. */
  protected readonly ruledOut = computed(() =>
    ruledOutCauses(this.judgement().decision).map(({ cause, readings, observations }) => ({
      cause: capital(cause),
      readings: this.readings().filter(({ id }) => readings.includes(id)),
      seen: observations.map((about) => stepName(about)),
    })),
  );
  protected readingLine(reading: Reading): string {
    return `${TESTS[reading.test].name} ${readingWords(reading, this.#voice.voice())}`;
  }
  protected nextName({ test, conditions, battery }: NextStep): string {
    const step = findStep(test, conditions['loads']);
    const name = step?.kind === 'reading' ? nameOfStep(step) : stepName(test);
    return battery ? `${name}, battery ${battery}` : name;
  }

  protected conditions(): string {
    return Object.entries(this.next()?.conditions ?? {})
      .map(([name, value]) => CONDITION_WORDS[name]?.(value as number, this.#voice.voice()) ?? '')
      .filter(Boolean)
      .join(', ');
  }
  protected open(reading: Reading): void {
    this.chosen.emit({ test: reading.test, loads: reading.conditions?.loads });
  }

  #evidence({ evidence }: RankedFault, sign: 1 | -1): readonly EvidenceLine[] {
    return evidence
      .filter(({ weight }) => weight * sign > 0)
      .slice(0, MAX_EVIDENCE)
      .map(({ says, code, with: figures, reading }) => ({
        says: this.told()({ because: says, code, with: figures }),
        reading: this.readings().find(({ id }) => id === reading),
      }));
  }
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const CONDITION_WORDS: Readonly<Record<string, (value: number, voice: Voice) => string>> = {
  amps: (value, { amps }) => amps(value),
  seconds: (value) => `${value} s`,
  rpm: (value) => `${value} rpm`,
  loads: (value) => `loads ${value}`,
  systemVolts: (value, { plain }) => `loaded to ${plain(value, 1)} V`,
  minutesAsleep: (value) => `${value} min asleep`,
  surfaceChargeRemoved: () => 'surface charge off first',
};

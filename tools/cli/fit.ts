/**
 * Fits the spreads of `core/src/criteria/fitted-spreads.ts` from the circuit model and writes the file anew.
 *
 * Vehicles of every fault, from slight to complete, are drawn from the tuning spread with seeds of their own (the
 * testing and checking spreads are left for judging what comes of it); every figure that the judge weighs
 * is collected with the truth: whether one of the faults that could cause it is in the vehicle. Middle and width are
 * the median and the scaled median deviation: one slip in fifty must not widen a spread.
 */
import { writeFile } from 'node:fs/promises';
import { FAULT_NAMES, FITTED_SPREADS, TUNING_SPREAD, derive, findingsOf, simulateCase, survey } from '@tetrad/core';
import type { Case, FaultName } from '@tetrad/core';
import { SLIGHTEST } from './bench-judge/setting';

type SpreadName = keyof typeof FITTED_SPREADS;
interface Samples {
  readonly sound: number[];
  readonly faulty: number[];
}

const FILE = 'core/src/criteria/fitted-spreads.ts';
/** Seeds that neither measurement of the judge uses. */
const FIRST_SEED = 20_000_000;
const VEHICLES = 480;
/** Median deviation of a normal distribution over its standard deviation. */
const DEVIATION_OF_NORMAL = 0.6745;
/** A model is tidier than workshops are: every width is taken this much wider. */
const WIDER = 1.4;
/** … but where the trade's own figures say how wide sound ones lie: a petrol engine cranks at 150 to 250 rpm (docs/tables.md). */
const AS_WIDE_AS_THE_TRADE: ReadonlySet<SpreadName> = new Set(['motor']);
/** … and none narrower than this share of the way between the two middles. */
const MIN_WIDTH = 0.06;
/** Fewer figures of a kind than this tell nothing; what stands is kept. */
const ENOUGH = 40;

const FITTED = Object.keys(FITTED_SPREADS) as readonly SpreadName[];
const isFitted = (name: string): name is SpreadName => name in FITTED_SPREADS;
const samples = new Map<SpreadName, Samples>();

for (const [f, fault] of FAULT_NAMES.entries())
  for (let i = 0; i < VEHICLES; i++) {
    const seed = FIRST_SEED + f * 1000 + i;
    const subject = simulateCase({
      faults: [fault],
      severity: SLIGHTEST + ((1 - SLIGHTEST) * i) / VEHICLES,
      seed,
      spread: TUNING_SPREAD,
    });
    collect(fault, subject);
    // the sag is weighed only where no clamp was at hand
    collect(fault, { ...subject, readings: subject.readings.filter(({ test }) => test !== 'starter-draw') }, ['sag']);
  }

const rounded = (value: number): number => Number(value.toFixed(2));
const lines = FITTED.map((name) => {
  const { sound, faulty } = fitted(name) ?? FITTED_SPREADS[name];
  const pair = ([mean, sd]: readonly [number, number]) => `[${rounded(mean)}, ${rounded(sd)}]`;
  const key = /^[a-z]+$/.test(name) ? name : `'${name}'`;
  return `  ${key}: { sound: ${pair(sound)}, faulty: ${pair(faulty)} },`;
});
await writeFile(
  FILE,
  `/** Written by \`npm run fit\` from the circuit model (tools/cli/fit.ts); docs/judging.md says how. */
export const FITTED_SPREADS = {
${lines.join('\n')}
} as const;
`,
);
for (const [name, { sound, faulty }] of samples)
  console.log(`${name}: ${sound.length} without, ${faulty.length} with the fault`);

function collect(truth: FaultName, subject: Case, only: readonly SpreadName[] = FITTED): void {
  const { gradedCase } = survey(subject);
  for (const { figure, causes } of findingsOf({ gradedCase, figures: derive(gradedCase) })) {
    if (!figure || !isFitted(figure.spread) || !only.includes(figure.spread)) continue;
    const own = samples.get(figure.spread) ?? { sound: [], faulty: [] };
    samples.set(figure.spread, own);
    const share = causes.find(({ fault }) => fault === truth)?.share;
    // a fault that seldom shows the figure is neither one nor the other
    if (share === undefined) own.sound.push(figure.value);
    else if (share >= 0.9) own.faulty.push(figure.value);
  }
}

function fitted(name: SpreadName): { sound: readonly [number, number]; faulty: readonly [number, number] } | null {
  const own = samples.get(name);
  if (!own || own.sound.length < ENOUGH || own.faulty.length < ENOUGH) return null;
  const wider = AS_WIDE_AS_THE_TRADE.has(name) ? 1 : WIDER;
  const [sound, faulty] = [middleAndWidth(own.sound, wider), middleAndWidth(own.faulty, wider)];
  const least = MIN_WIDTH * Math.abs(faulty[0] - sound[0]);
  return { sound: [sound[0], Math.max(sound[1], least)], faulty: [faulty[0], Math.max(faulty[1], least)] };
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}

function middleAndWidth(values: readonly number[], wider: number): readonly [number, number] {
  const middle = median(values);
  return [middle, (wider * median(values.map((value) => Math.abs(value - middle)))) / DEVIATION_OF_NORMAL];
}

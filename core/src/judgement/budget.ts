/** Where the volts went: from the resting voltage down to what the starter or the battery got. */
import type { BudgetPiece } from '../case/judgement-shape';
import type { TestName } from '../case/vocabulary';
import { latest } from './situation';
import type { Situation } from './situation';

const piece = (name: string, volts: number, total: number, amps: number | undefined): BudgetPiece => ({
  piece: name,
  volts: round(volts),
  ...(amps !== undefined && amps > 5 && { ohms: Number((volts / amps).toPrecision(3)) }),
  share: round(total > 0 ? volts / total : 0),
});
const round = (value: number): number => Math.round(value * 1000) / 1000;

/** The starting budget; empty without resting and cranking voltage. Shares are of the resting voltage. */
export function startingBudget(situation: Situation): readonly BudgetPiece[] {
  const cranking = latest(situation, 'cranking-voltage');
  const { resting } = situation;
  if (resting === null || !cranking) return [];
  const amps = latest(situation, 'starter-draw')?.value;
  const drop = (test: TestName): number | undefined => {
    const reading = latest(situation, test);
    return reading && Math.abs(reading.value);
  };
  const positivePost = drop('drop-positive-post');
  const solenoid = drop('drop-solenoid');
  const positive = drop('drop-starter-positive');
  const negativePost = drop('drop-negative-post');
  const ground = drop('drop-starter-ground');
  const lost: [string, number | undefined][] = [
    ['battery', Math.max(0, resting - cranking.value)],
    ['positive post', positivePost],
    [
      'positive cable',
      positive === undefined ? undefined : Math.max(0, positive - (positivePost ?? 0) - (solenoid ?? 0)),
    ],
    ['solenoid', solenoid],
    ['ground', ground === undefined ? undefined : Math.max(0, ground - (negativePost ?? 0))],
    ['negative post', negativePost],
  ];
  const known = lost.filter((entry): entry is [string, number] => entry[1] !== undefined);
  const left = resting - known.reduce((sum, [, volts]) => sum + volts, 0);
  return [
    ...known.map(([name, volts]) => piece(name, volts, resting, amps)),
    piece('left for the starter', Math.max(0, left), resting, undefined),
  ];
}

/** The charging budget; empty without a charging voltage and a drop. Shares are of the alternator's volts. */
export function chargingBudget(situation: Situation): readonly BudgetPiece[] {
  const volts = latest(situation, 'charging-voltage');
  const positive = latest(situation, 'drop-charge-positive');
  const ground = latest(situation, 'drop-charge-ground');
  if (!volts || (!positive && !ground)) return [];
  const total = volts.value + Math.abs(positive?.value ?? 0) + Math.abs(ground?.value ?? 0);
  const lost = [
    ['positive cable', positive],
    ['ground', ground],
  ] as const;
  return [
    ...lost.flatMap(([name, reading]) =>
      reading ? [piece(name, Math.abs(reading.value), total, reading.conditions?.amps)] : [],
    ),
    piece('left at the battery', volts.value, total, undefined),
  ];
}

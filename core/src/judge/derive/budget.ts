/** Where the volts went: from the resting voltage down to what the starter or the battery got, by the solved paths. */
import type { BudgetPiece } from '../../format/judgement-shape';
import { PATHS, PIECES, isPartOf, pathOf } from '../../circuit/paths';
import type { PathLoad, PieceName } from '../../circuit/paths';
import { latest, latestUnder } from '../../evidence/case-context';
import type { DerivedCase } from '../../evidence/derived-case';
import type { PathRest, PathSolution } from '../../evidence/path-solution';

/** Under this no resistance is told, A. */
const MIN_AMPS = 5;

const thousandth = (value: number): number => Math.round(value * 1000) / 1000;

/** Under this a resistance is nothing, ohm: far less than any lead has, and dividing on would leave the range of numbers. */
const MIN_OHM = 1e-9;

/** To three digits; arithmetic, since a number's own `toPrecision` goes by way of text. */
function threeDigits(value: number): number {
  if (Math.abs(value) < MIN_OHM) return 0;
  const power = 10 ** (2 - Math.floor(Math.log10(Math.abs(value))));
  return Math.round(value * power) / power;
}

function entry(
  name: string,
  volts: number,
  total: number,
  amps: number | null,
  pieces?: readonly PieceName[],
): BudgetPiece {
  const line: { -readonly [K in keyof BudgetPiece]: BudgetPiece[K] } = {
    piece: name,
    kind: pieces ? 'lost' : 'left',
    volts: thousandth(volts),
    share: thousandth(total > 0 ? volts / total : 0),
  };
  if (amps !== null && amps > MIN_AMPS) line.ohms = threeDigits(volts / amps);
  if (pieces && pieces.length > 0) line.pieces = pieces;
  return line;
}

/** Pieces that were not told apart go under the name of the side they lie in. */
const SIDES: readonly { readonly name: string; readonly of: readonly PieceName[] }[] = [
  { name: 'positive side', of: PATHS['drop-starter-positive'].pieces },
  { name: 'ground', of: PATHS['drop-starter-ground'].pieces },
  { name: 'ground', of: PATHS['drop-charge-ground'].pieces },
  { name: 'ground', of: PATHS['drop-body-ground'].pieces },
];
const nameOf = (pieces: readonly PieceName[]): string =>
  pieces.length === 1
    ? PIECES[pieces[0]!].name
    : (SIDES.find(({ of }) => pieces.every((piece) => of.includes(piece)))?.name ?? 'path');

/** Readings of one load that lie in no other: their rests and those of their parts add up to the whole. */
function disjoint({ rests }: PathSolution, loadedBy: PathLoad, ends: readonly PieceName[]): readonly PathRest[] {
  const own = rests.filter(
    ({ test }) => pathOf(test).loadedBy === loadedBy && pathOf(test).pieces.every((piece) => ends.includes(piece)),
  );
  const tops = own.filter(({ test }) => !own.some((other) => isPartOf(test, other.test)));
  const chosen: PathRest[] = [];
  const add = (rest: PathRest): void => {
    chosen.push(rest);
    for (const part of rest.parts) {
      const found = own.find(({ test }) => test === part);
      if (found) add(found);
    }
  };
  tops.forEach(add);
  return chosen;
}

const STARTING_PIECES: readonly PieceName[] = [
  ...PATHS['drop-starter-positive'].pieces,
  ...PATHS['drop-starter-ground'].pieces,
];

/** In the order the current runs. */
const inOrder = (a: PathRest, b: PathRest): number =>
  STARTING_PIECES.indexOf(a.pieces[0]!) - STARTING_PIECES.indexOf(b.pieces[0]!);

/** The starting budget; empty without resting and cranking voltage. Shares are of the resting voltage. */
export function startingBudget({ gradedCase, figures }: DerivedCase): readonly BudgetPiece[] {
  const cranking = latest(gradedCase, 'cranking-voltage');
  const { resting } = gradedCase;
  if (resting === null || !cranking) return [];
  const amps = latest(gradedCase, 'starter-draw')?.value ?? null;
  const lost = disjoint(figures.paths, 'cranking', STARTING_PIECES)
    .filter(({ pieces, isOpen }) => pieces.length > 0 && !isOpen)
    .sort(inOrder)
    .map((rest) => ({
      name: nameOf(rest.pieces),
      pieces: rest.pieces,
      volts: rest.volts * (amps !== null && amps > MIN_AMPS ? amps / rest.amps : 1),
    }));
  const battery = Math.max(0, resting - cranking.value);
  const left = resting - battery - lost.reduce((sum, { volts }) => sum + volts, 0);
  return [
    entry('battery', battery, resting, amps, []),
    ...lost.map(({ name, volts, pieces }) => entry(name, volts, resting, amps, pieces)),
    entry('left for the starter', Math.max(0, left), resting, null),
  ];
}

/** The charging budget; empty without a charging voltage and a drop. Shares are of the alternator's volts. */
export function chargingBudget({ gradedCase, figures }: DerivedCase): readonly BudgetPiece[] {
  const volts = latestUnder(gradedCase, 'charging-voltage', 'on') ?? latest(gradedCase, 'charging-voltage');
  const tops = figures.paths.rests.filter(({ test }) => pathOf(test).loadedBy === 'charging');
  if (!volts || tops.length === 0) return [];
  const lost = tops.map(({ test, reading, amps }) => ({
    name: nameOf(pathOf(test).pieces),
    volts: Math.abs(reading.value),
    amps,
    pieces: pathOf(test).pieces,
  }));
  const total = volts.value + lost.reduce((sum, entry_) => sum + entry_.volts, 0);
  return [
    ...lost.map((one) => entry(one.name, one.volts, total, one.amps, one.pieces)),
    entry('left at the battery', volts.value, total, null),
  ];
}

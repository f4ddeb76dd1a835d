/** What the readings give together, in sentences, beside the step they belong to. */
import type { Case } from '../case/case-shape';
import type { Derived } from '../case/judgement-shape';
import type { TestName } from '../case/vocabulary';
import { cellSpread, meanGravity, voltsOfGravity } from '../judgement/gravity';
import { formatQuantity, formatShare } from '../quantities/format';

/** A share of the sag under this is no share. */
const WORTH_TELLING_VOLTS = 0.05;

const volts = (value: number): string => formatQuantity(value, 'V');

const WORDS: Readonly<Partial<Record<TestName, (derived: Derived, subject: Case) => readonly string[]>>> = {
  'resting-voltage': ({ stateOfCharge }) =>
    stateOfCharge === undefined
      ? []
      : [`State of charge ${formatShare(Math.min(1, stateOfCharge))}: how full, not how good.`],
  'cranking-voltage': sag,
  'starter-draw': sag,
  'specific-gravity': gravity,
  'parasitic-draw': ({ daysToNoStart }) =>
    daysToNoStart === undefined
      ? []
      : [`At this draw it no longer starts after about ${Math.max(1, Math.round(daysToNoStart))} days of standing.`],
};

/** @returns the sentences of a step; none where a reading they need is missing. */
export const derivedWords = (test: TestName, derived: Derived, subject: Case): readonly string[] =>
  WORDS[test]?.(derived, subject) ?? [];

function sag({
  crankingOhms,
  equivalentLoadVolts,
  loadFloorVolts,
  loadAmps,
  sag: parts,
  expectedDrawAmps,
}: Derived): readonly string[] {
  const usual = expectedDrawAmps
    ? [`Usual draw ${Math.round(expectedDrawAmps.min)} to ${Math.round(expectedDrawAmps.max)} A.`]
    : [];
  if (crankingOhms === undefined) return usual;
  const floor = loadFloorVolts === undefined ? '' : `, floor ${volts(loadFloorVolts)}`;
  return [
    ...usual,
    `The battery resisted with ${formatQuantity(crankingOhms, 'ohm')}.`,
    ...(equivalentLoadVolts !== undefined && loadAmps !== undefined
      ? [`A load test with ${Math.round(loadAmps)} A would read ${volts(equivalentLoadVolts)}${floor}.`]
      : []),
    ...(parts
      ? [
          parts.excessDrawVolts < WORTH_TELLING_VOLTS
            ? `The whole sag of ${volts(parts.batteryVolts)} is the battery’s.`
            : `Of the sag ${volts(parts.batteryVolts)} is the battery’s, ${volts(parts.excessDrawVolts)} the draw’s above the usual.`,
        ]
      : []),
  ];
}

function gravity(_derived: Derived, { readings, system }: Case): readonly string[] {
  const read = readings.filter(({ test, void: reason }) => test === 'specific-gravity' && reason === undefined).at(-1);
  if (!Array.isArray(read?.value) || read.value.length === 0) return [];
  const cells = read.value as readonly number[];
  const isWhole = cells.length === (system.nominalVolts / 12) * 6;
  return [
    `Mean ${meanGravity(cells, read.conditions?.electrolyteCelsius).toFixed(3)} at 27 °C, spread ${cellSpread(cells).toFixed(3)}.`,
    ...(isWhole ? [`The cells add up to ${volts(voltsOfGravity(cells))}: the resting voltage should agree.`] : []),
  ];
}

/** What the readings give together, in sentences, beside the step they belong to. */
import { cellSpread, meanGravity, voltsOfGravity } from '../../battery/gravity';
import type { Derived } from '../../format/judgement-shape';
import type { TestName } from '../../format/names';
import { readingsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { FigureFormat } from '../../quantities/figure-format';

/** A share of the sag under this is no share, V. */
const WORTH_TELLING_VOLTS = 0.05;
/** Cells of a 12 V battery. */
const CELLS = 6;

type Sentences = (derived: Derived, gradedCase: GradedCase, figures: FigureFormat) => readonly string[];

const WORDS: Readonly<Partial<Record<TestName, Sentences>>> = {
  'resting-voltage': ({ stateOfCharge }, _situation, { share }) =>
    stateOfCharge === undefined
      ? []
      : [`State of charge ${share(Math.min(1, stateOfCharge))}: how full, not how good.`],
  'cranking-voltage': sag,
  'starter-draw': sag,
  'specific-gravity': gravity,
  'fuse-drop': ({ fuses = [] }, _situation, { amps }) =>
    fuses.map(({ fuse, amps: through }) => `${fuse === '' ? 'A fuse' : fuse}: about ${amps(through)}`),
  'parasitic-draw': ({ daysToNoStart }, _situation, { plain }) =>
    daysToNoStart === undefined
      ? []
      : [`At this draw it no longer starts after about ${plain(Math.max(1, daysToNoStart), 0)} days of standing.`],
};

/** @returns the sentences of a step; none where a reading they need is missing. */
export const derivedWords = (
  test: TestName,
  derived: Derived,
  gradedCase: GradedCase,
  figures: FigureFormat,
): readonly string[] => WORDS[test]?.(derived, gradedCase, figures) ?? [];

function sag(
  { crankingOhms, equivalentLoadVolts, loadFloorVolts, loadAmps, sag: parts, expectedDrawAmps }: Derived,
  _situation: GradedCase,
  { plain, volts, ohms }: FigureFormat,
): readonly string[] {
  const usual = expectedDrawAmps
    ? [`Usual draw ${plain(expectedDrawAmps.min, 0)} to ${plain(expectedDrawAmps.max, 0)} A.`]
    : [];
  if (crankingOhms === undefined) return usual;
  const floor = loadFloorVolts === undefined ? '' : `, floor ${volts(loadFloorVolts)}`;
  return [
    ...usual,
    `The battery resisted with ${ohms(crankingOhms)}.`,
    ...(equivalentLoadVolts !== undefined && loadAmps !== undefined
      ? [`A load test with ${plain(loadAmps, 0)} A would read about ${volts(equivalentLoadVolts)}${floor}.`]
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

function gravity(
  _derived: Derived,
  gradedCase: GradedCase,
  { plain, celsius, volts }: FigureFormat,
): readonly string[] {
  const read = readingsOf(gradedCase, 'specific-gravity').at(-1);
  if (!Array.isArray(read?.value) || read.value.length === 0) return [];
  const cells = read.value as readonly number[];
  const isWhole = cells.length === gradedCase.scale * CELLS;
  return [
    `Mean ${plain(meanGravity(cells, read.conditions?.electrolyteCelsius), 3)} at ${celsius(27)}, spread ${plain(cellSpread(cells), 3)}.`,
    ...(isWhole ? [`The cells add up to ${volts(voltsOfGravity(cells))}: the resting voltage should agree.`] : []),
  ];
}

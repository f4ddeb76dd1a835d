/** The figures of a criteria set that are no limits: when to charge first, the usual draw of a starter, the costs. */
import { COST_REASONS, PARTS, PART_WORDS } from '@tetrad/core';
import type { CriteriaDocument, FigureFormat } from '@tetrad/core';
import type { LimitField } from './criteria-draft';

interface FigureGroup {
  readonly name: string;
  readonly fields: readonly LimitField[];
}

const figure = (path: string, name: string, unit: LimitField['unit'], why = ''): LimitField => ({
  path,
  name,
  unit,
  isOptional: false,
  why,
});

export const setFigures = ({ expectedDraw }: CriteriaDocument): readonly FigureGroup[] => [
  {
    name: 'Before a battery is judged',
    fields: [
      figure('minimumCharge', 'Charge first under', 'share', 'Under it no load test and no cranking condemns a part.'),
      figure('surfaceChargeVolts', 'Surface charge from, over full', 'V', 'It is taken off before the load test.'),
    ],
  },
  {
    name: 'Usual starter draw',
    fields: expectedDraw.flatMap(({ fuel, upToCylinders, upToLitres }, at) => {
      const engine = `${fuel} to ${upToCylinders} cylinders${upToLitres ? ` and ${upToLitres} l` : ''}`;
      return [
        figure(`expectedDraw[${at}].minAmps`, `Least, ${engine}`, 'A'),
        figure(`expectedDraw[${at}].maxAmps`, `Most, ${engine}`, 'A'),
      ];
    }),
  },
  {
    name: 'Costs',
    fields: [
      ...PARTS.map((part) => figure(`costs.wrongPart.${part}`, `Needless work on ${PART_WORDS[part]}`, 'min')),
      figure('costs.wrongPiece', 'A sound joint taken apart', 'min', COST_REASONS.wrongPiece),
      figure('costs.comeback', 'A comeback', 'min', COST_REASONS.comeback),
      figure('costs.undecided', 'Left undecided', 'min', COST_REASONS.undecided),
      figure('costs.work', 'A minute of work', 'min', COST_REASONS.work),
      figure('costs.wait', 'A minute of a wait', 'min', COST_REASONS.wait),
    ],
  },
];

export function setFigureWords(value: number, unit: LimitField['unit'], format: FigureFormat): string {
  switch (unit) {
    case 'share':
      return format.share(value);
    case 'V':
      return format.volts(value);
    case 'A':
      return format.amps(value);
    default:
      return `${Number(value.toPrecision(4))} ${unit}`;
  }
}

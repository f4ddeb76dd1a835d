/** A page for each fault: its signs, and what proves it. */
import type { System } from '../format/case-shape';
import type { FaultName, TestName } from '../format/names';
import { EXCUSES } from '../trade/excuses';
import type { Fault } from '../trade/fault';
import { FAULTS, FAULT_NAMES, TESTS } from '../trade/tables';
import { SYMPTOMS } from '../trade/symptoms';
import { PART_WORDS, capital, nameOf, stepName } from '../words/en/names';
import { section } from './guide-page';
import type { GuideLine, GuidePage } from './guide-page';
import { testsOf } from './tells';
import type { Telling } from './tells';

/** A fault that shows a sign in at least so many of its cases usually shows it. */
const USUALLY_FROM = 0.7;
/** The part that a fault belongs to in most vehicles. */
const USUAL_SYSTEM: System = { nominalVolts: 12, battery: { chemistry: 'flooded' } };

export const faultPages = (): readonly GuidePage[] =>
  FAULT_NAMES.filter((fault) => fault !== 'none').map((fault) => faultPage(fault));

function faultPage(fault: FaultName): GuidePage {
  const row: Fault = FAULTS[fault];
  const part = row.part(USUAL_SYSTEM);
  return {
    id: fault,
    group: 'Faults',
    title: nameOf(fault),
    cautions: [],
    drawing: row.where !== undefined && row.where in TESTS ? (row.where as TestName) : null,
    sections: [
      ...section('What it is', [row.customer, part && `It belongs to ${PART_WORDS[part]}.`]),
      ...section('Signs', signsOf(row)),
      ...section('Tests that tell of it', testsOf(fault).map(testLine)),
      ...section('What must be ruled out first', row.excuses.map(excuseLine)),
      ...section('Straight across it', row.where ? [{ text: stepName(row.where), to: [row.where] }] : []),
    ],
  };
}

const signsOf = ({ symptoms }: Fault): readonly string[] =>
  Object.entries(symptoms)
    .sort(([, a], [, b]) => b - a)
    .map(
      ([symptom, share]) =>
        `${SYMPTOMS[symptom as keyof typeof SYMPTOMS].name}${share >= USUALLY_FROM ? '' : ', sometimes'}`,
    );

const testLine = ({ test, isDirect }: Telling): GuideLine => {
  const { name } = TESTS[test];
  return { text: isDirect ? `${name}: outside its limit it is proof by itself` : name, to: [test] };
};

function excuseLine({ excuse, how }: Fault['excuses'][number]): GuideLine {
  const { first, steps } = EXCUSES[excuse];
  return { text: `${capital(first)}. ${how}`, to: steps };
}

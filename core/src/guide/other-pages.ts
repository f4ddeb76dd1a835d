/** Safety, the order of work, how Tetrad decides, and how instruments mislead. */
import type { CriteriaSet } from '../criteria/criteria-set';
import { CAUTIONS } from '../evidence/cautions';
import type { TestName } from '../format/names';
import type { FigureFormat } from '../quantities/figure-format';
import { INSTRUMENTS, INSTRUMENT_KINDS, INSTRUMENT_VICES } from '../trade/instruments';
import type { InstrumentKind } from '../trade/instruments';
import { ROUTE_GROUPS } from '../trade/route';
import { OBSERVATIONS, TESTS, TEST_NAMES } from '../trade/tables';
import { PART_WORDS, capital } from '../words/en/names';
import { section } from './guide-page';
import type { GuidePage } from './guide-page';

/** Who has the last word, on every page of the guide. */
export const LAST_WORD = 'Local rules, the maker’s instructions and licensed practice have the last word.';
/** What applies wherever a vehicle is worked on, beside the cautions of single steps. */
const ALWAYS = [
  'Never test, charge or jump a frozen, cracked or swollen battery.',
  'Parking brake on, gearbox in neutral or park.',
  'High-voltage hybrid and electric systems are out of scope: stop.',
] as const;

export const safetyPage = (): GuidePage => ({
  id: 'safety',
  group: 'Safety and order',
  title: 'Safety',
  cautions: [...ALWAYS, ...Object.values(CAUTIONS), LAST_WORD],
  drawing: null,
  sections: [],
});

/** What each group of the route is for, and why it comes where it does. */
const GROUP_REASONS: Readonly<Record<(typeof ROUTE_GROUPS)[number], string>> = {
  'Ask and look':
    'What is seen in a minute saves an hour: terminals, belt, case, lamp. Cranks at normal speed and does not fire: not this system.',
  Battery:
    'A flat battery can test nothing else, and a bad one spoils every later reading. Charge or substitute it first.',
  Connections: 'Volts lost at a post look like a bad battery or a bad starter.',
  Starting: 'Cranking volts and amps of the same moment, then the drops on both sides.',
  Charging: 'Volts unloaded and loaded, what arrives, what is lost, ripple.',
  Drain: 'When all else is good and the battery still goes flat.',
};

export const orderPage = (): GuidePage => ({
  id: 'order',
  group: 'Safety and order',
  title: 'The order of work',
  cautions: [],
  drawing: null,
  sections: [
    ...section('Why in order', [
      'Each test leans on the ones before it. Good parts are replaced where nobody kept the order.',
    ]),
    ...section(
      'Order',
      ROUTE_GROUPS.map((group) => `${group}. ${GROUP_REASONS[group]}`),
      true,
    ),
    ...section('After a repair', ['Run the same tests again, and show before beside after.']),
  ],
});

export const decisionPage = ({ name, costs }: CriteriaSet, format: FigureFormat): GuidePage => ({
  id: 'decision',
  group: 'Safety and order',
  title: 'How Tetrad decides',
  cautions: [],
  drawing: null,
  sections: [
    ...section('What stands above everything', [
      'Safety: a battery that may not be tested ends all testing.',
      'Proof: no part is called until the tests that could excuse it are done.',
      'A reading straight across a fault, outside its limit with enough current, is never outvoted.',
      'Nothing is called that is less likely than not.',
    ]),
    ...section('One rule for the rest', [
      'Every action has an expected cost: what it costs if wrong, times how probable it is that it is wrong.',
      'Every further test has a gain: how much cheaper the best action becomes, on average, once its answer is known.',
      'While a test saves more than its minutes, it is next. When none does, the cheapest action is taken.',
    ]),
    ...section(`What a mistake costs, ${name}`, [
      ...Object.entries(costs.wrongPart).map(
        ([part, minutes]) =>
          `${capital(PART_WORDS[part as keyof typeof PART_WORDS])}, called for nothing: ${format.quantity(minutes, 'min')}`,
      ),
      `A fault that is left in a vehicle called sound: ${format.quantity(costs.comeback, 'min')}`,
      `A vehicle sent away undecided: ${format.quantity(costs.undecided, 'min')}`,
    ]),
  ],
});

/** A clamp reads what flows through its jaws; what a battery tester reads it reads at the posts by itself. */
function isReadBy(kind: InstrumentKind, test: TestName): boolean {
  const { unit, leads } = TESTS[test];
  const isTester = kind === 'battery-tester';
  if (leads === null || !(INSTRUMENTS[kind].units as readonly string[]).includes(unit))
    return kind === 'hydrometer' && unit === 'SG';
  if (unit === 'A') return (leads.clamp !== undefined) !== isTester;
  return unit !== 'ohm' || isTester;
}

export const instrumentPages = (): readonly GuidePage[] =>
  INSTRUMENT_KINDS.map((kind) => {
    const { name, checks } = INSTRUMENTS[kind];
    const reads = TEST_NAMES.filter((test) => isReadBy(kind, test));
    return {
      id: kind,
      group: 'Instruments',
      title: name,
      cautions: [],
      drawing: null,
      sections: [
        ...section('How it misleads', INSTRUMENT_VICES[kind]),
        ...section(
          'Before the first vehicle of the day',
          checks.map((check) => ({ text: OBSERVATIONS[check].asks, to: [check] })),
        ),
        ...section(
          'Reads',
          reads.map((test) => ({ text: TESTS[test].name, to: [test] })),
        ),
      ],
    };
  });

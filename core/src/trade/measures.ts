/** What tests of one kind share: unit, physical domain, and a drop's whole nature. */
import type { PathTest } from './paths';
import { across } from './points';
import type { TestPoint } from './points';
import { BEFORE_CRANKING } from './ticks';
import type { Test } from './test';
import { CRANKING_STEP, RUNNING_STEP } from './step';
import type { Step } from './step';
import type { ReadingPlace } from './route';
import { latest } from '../judge/situation';
import { dropWithoutCurrent, moreThanThereIs, partAboveWhole } from '../judge/void/path-rules';
import { cannot, done } from '../simulation/bench';
import { slip } from '../simulation/slips';
import { PIECES, pathOf } from './paths';

type Measure = Pick<Test, 'unit' | 'domain' | 'usual' | 'scales' | 'kind'>;

/** Volts at a battery's posts, or at any point that a battery feeds, per 12 V nominal. */
export const POST_VOLTS: Measure = { unit: 'V', domain: [0, 20], usual: 12.5, scales: true, kind: 'number' };
/** Volts across a path: either sign, since the leads may be swapped. */
const DROP_VOLTS: Measure = { ...POST_VOLTS, domain: [-16, 16], usual: 0.1 };

/** Amps between these ends. */
export const ampsBetween = (min: number, max: number, usual: number): Measure => ({
  unit: 'A',
  domain: [min, max],
  usual,
  scales: false,
  kind: 'number',
});

/** Share of its usual current that a drop is read at in the simulation when nothing flows: a hurried hand. */
const IDLE_AMPS = { cranking: 3, charging: 6 } as const;

/** Under this no current flows to speak of, A. */
const NO_CURRENT_AMPS = 5;

interface DropOf {
  readonly test: PathTest;
  readonly name: string;
  readonly red: TestPoint;
  readonly black: TestPoint;
  readonly place: Pick<ReadingPlace, 'at' | 'how'> & { readonly ticks?: ReadingPlace['ticks'] };
  readonly step: Pick<Step, 'minutes' | 'place' | 'informs' | 'settles'> & Pick<Step, 'when'>;
  readonly cautions?: Step['cautions'];
}

/** A drop across a path, which table `paths.ts` knows. */
export function dropTest({ test, name, red, black, place, step, cautions }: DropOf): Test {
  const { loadedBy } = pathOf(test);
  const isCranking = loadedBy === 'cranking';
  const shared = isCranking ? CRANKING_STEP : RUNNING_STEP;
  const { at, how, ticks } = place;
  return {
    ...DROP_VOLTS,
    name,
    isSmallVolts: true,
    direct: [...new Set(pathOf(test).pieces.map((piece) => PIECES[piece].fault))],
    conditions: ['amps'],
    leads: across(red, black, loadedBy),
    places: [
      {
        group: isCranking ? 'Connections' : 'Charging',
        at,
        how,
        asks: { amps: null },
        ticks: ticks ?? BEFORE_CRANKING.slice(0, 2),
        ...(isCranking && { waits: ['crank'] as const }),
      },
    ],
    step: { ...shared, ...step, cautions: cautions ?? shared.cautions },
    known: (situation) => {
      const amps = latest(situation, isCranking ? 'starter-draw' : 'alternator-current')?.value;
      return amps !== undefined && amps > 0 ? { amps } : {};
    },
    voids: [dropWithoutCurrent, partAboveWhole, moreThanThereIs],
    noted: ({ value, conditions }) =>
      conditions?.amps !== undefined && typeof value === 'number' && conditions.amps < NO_CURRENT_AMPS
        ? { code: 'closed-part', with: { test, value } }
        : null,
    simulated: ({ starts, cranking, full, lost, millivolts, amps }) => {
      if (!isCranking && !starts) return cannot('did-not-start');
      const flows = isCranking ? cranking.amps : full.outputAmps;
      return done(millivolts(lost(test, flows)), { amps: amps(flows) });
    },
    slips: [
      slip(
        () => 0.004,
        () => ({ amps: IDLE_AMPS[loadedBy] }),
        3,
      ),
    ],
  };
}

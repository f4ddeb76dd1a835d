/** A drop across a path of the circuit: all that the drops share. */
import { PIECES, pathOf } from '../circuit/paths';
import type { PathTest } from '../circuit/paths';
import { across } from '../circuit/points';
import type { TestPoint } from '../circuit/points';
import { latest } from '../evidence/case-context';
import { cannot, done } from '../evidence/simulated-bench';
import { slip } from '../evidence/slips';
import { CRANKING_STEP, LOADED_STEP } from '../evidence/step';
import type { Step } from '../evidence/step';
import { dropWithoutCurrent, moreThanThereIs, partAboveWhole } from '../evidence/void/drop-rules';
import { DROP_VOLTS } from './measures';
import type { ReadingPlace } from './route';
import type { Test } from './test';
import type { TestModel } from './test-model';
import { BEFORE_CRANKING } from './ticks';
import { message } from '../evidence/messages';
import { isPeak, peakNoted } from '../evidence/peaks';
import type { Message } from '../format/message';
import type { Reading } from '../format/reading-shape';

/** Under this no current flows to speak of, A. */
const NO_CURRENT_AMPS = 5;

interface DropOf {
  readonly test: PathTest;
  readonly name: string;
  /** Where the leads lie; null of a drop that is the difference of two readings. */
  readonly leads: { readonly red: TestPoint; readonly black: TestPoint } | null;
  readonly place: Pick<ReadingPlace, 'at' | 'how'> & { readonly ticks?: ReadingPlace['ticks'] };
  readonly step: Pick<Step, 'minutes' | 'place' | 'informs' | 'settles'> & Pick<Step, 'when'>;
  readonly cautions?: Step['cautions'];
  readonly required: Test['required'];
  readonly keeps?: Test['keeps'];
}

/** Next to nothing lies across it while next to nothing flows: it is closed, and no more is known. */
const closedPart = ({ test, value, conditions }: Reading): Message | null =>
  conditions?.amps !== undefined && typeof value === 'number' && conditions.amps < NO_CURRENT_AMPS
    ? message('closed-part', { test, value })
    : null;

/** A drop across a path, which table `paths.ts` knows. */
export function dropTest({ test, name, leads, place, step, cautions, required, keeps }: DropOf): Test {
  const { loadedBy } = pathOf(test);
  const isCranking = loadedBy === 'cranking';
  const shared = isCranking ? CRANKING_STEP : LOADED_STEP;
  const { at, how, ticks } = place;
  return {
    ...DROP_VOLTS,
    name,
    isSmallVolts: true,
    direct: [...new Set(pathOf(test).pieces.map((piece) => PIECES[piece].fault))],
    conditions: ['amps', 'method'],
    isPartial: isPeak,
    leads: leads && across(leads.red, leads.black, loadedBy),
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
    step: { ...shared, ...(isCranking && { needsTold: true }), ...step, cautions: cautions ?? shared.cautions },
    required,
    ...(keeps && { keeps }),
    known: (gradedCase) => {
      const amps = latest(gradedCase, isCranking ? 'starter-draw' : 'alternator-current')?.value;
      return amps !== undefined && amps > 0 ? { amps } : {};
    },
    // a contradiction first: with no current too it asks for both again
    voids: [partAboveWhole, dropWithoutCurrent, moreThanThereIs],
    noted: (reading) => peakNoted(reading) ?? closedPart(reading),
  };
}

/** Amps that a hurried hand reads a drop at, when nothing flows. */
const IDLE_AMPS = { cranking: 3, charging: 6 } as const;

/**
 * How the circuit model gives a drop: the sum of its pieces at the current that flows.
 *
 * @param visitPlace Its place in a full visit; null where it is not part of one.
 */
export function dropModel(test: PathTest, visitPlace: number | null): TestModel {
  const { loadedBy } = pathOf(test);
  const isCranking = loadedBy === 'cranking';
  return {
    visitPlace,
    reads: ({ starts, cranking, full, lost, millivolts, amps }) => {
      if (!isCranking && !starts) return cannot('did-not-start');
      const flows = isCranking ? cranking.amps : full.outputAmps;
      // what is open has the volts of the posts across it, and no more
      const most = isCranking ? cranking.postVolts : full.studVolts;
      return done(millivolts(Math.min(lost(test, flows), most)), { amps: amps(flows) });
    },
    slips: [
      /* @__PURE__ */ slip(
        () => 0.004,
        () => ({ amps: IDLE_AMPS[loadedBy] }),
        3,
      ),
    ],
  };
}

/** Eighth stage: the one thing to do now. */
import { threshold } from '../../criteria/evidence';
import type { FaultName, StepName } from '../../format/names';
import type { Action, Part } from '../../format/words';
import type { Said } from '../../words/phrases';
import { isDeadAfterCharge } from '../derive/charge';
import type { Evidence } from '../prove/evidence';
import { proofOf } from '../prove/prove';
import type { Ranked } from '../rank/rank-faults';
import { didNotCrank, isCharged } from '../situation';
import type { Situation } from '../situation';
import { flatBatteries, packOf } from './batteries';
import { callable } from './callable';
import { unexplained } from './unexplained';
import type { Standing } from './unexplained';
import { isCallable, isReplaced, partOf } from './part-of';
import { whyStop } from './stop';

export interface Decided {
  readonly action: Action;
  readonly part: Part | null;
  readonly fault: FaultName | null;
  readonly because: Said;
  /** The batteries it speaks of, of a pack. */
  readonly batteries?: readonly number[];
}

export interface DecisionInput extends Standing {
  readonly ranked: readonly Ranked[];
  /** What must be read and could not be: said to be missing, never taken as passed. */
  readonly impossible: readonly StepName[];
}

/** The strongest finding that speaks for a fault. */
export const strongest = ({ lines }: Ranked): Said | null =>
  lines.find(({ weight }) => weight > 0)?.finding.says ?? null;

export function decide(input: DecisionInput): Decided {
  const { evidence, ranked, uncovered, impossible, failing, proposed } = input;
  const { situation, probability } = evidence;
  const stop = whyStop(situation);
  if (stop) return { action: 'stop', part: null, fault: null, because: stop.says };

  const flat = situation.charge !== null && !isCharged(situation) && !isDeadAfterCharge(situation);
  const called = callable(input);
  // of a pack the flat battery is charged before any is condemned
  const packFirst = called && partOf(called.fault, situation) === 'battery' && flatBatteries(situation).length > 0;
  if (called && !packFirst) return call(called, evidence);
  if (flat) return chargeFirst(situation);

  const suspect = ranked.find(({ fault }) => isCallable(fault));
  const isSuspected = suspect !== undefined && suspect.probability >= threshold('excused');
  const nothingLeft = proposed().length === 0;
  // what lies straight across a fault always stands in the way; another reading that is far outside until it is read
  // once more, and any while much is in doubt
  const standing = failing.filter(
    ({ faults, isFar, isRepeated }) =>
      faults.length > 0 || (isFar && !isRepeated) || probability.none < threshold('soundBeside'),
  );
  if (
    uncovered.length === 0 &&
    !didNotCrank(situation) && // something holds it or nothing tells it to: that is no sound vehicle
    !isSuspected &&
    standing.length === 0 &&
    (probability.none >= threshold('sound') || nothingLeft)
  )
    return {
      action: 'none-found',
      part: null,
      fault: 'none',
      because: {
        code:
          impossible.length > 0 ? 'none-found-but-missing' : failing.length > 0 ? 'none-found-beside' : 'none-found',
        with: { missing: impossible, outside: failing.map(({ reading }) => reading) },
      },
    };
  return testNext(isSuspected ? suspect : undefined, input);
}

function call(called: Ranked, known: Evidence): Decided {
  const { situation } = known;
  const { fault, probability } = called;
  const part = partOf(fault, situation);
  const evidence = strongest(called);
  const pack = part === 'battery' ? packOf(called, known) : null;
  return {
    action: isReplaced(part) ? 'replace' : 'repair',
    part,
    fault,
    because: {
      code: 'proven',
      with: { fault, probability, ...(evidence && { evidence }), ...(pack && { pack }) },
    },
    ...(pack && { batteries: pack.batteries }),
  };
}

function chargeFirst(situation: Situation): Decided {
  const { charge, criteria, units } = situation;
  const flat = flatBatteries(situation);
  return {
    action: 'charge-first',
    part: 'battery',
    fault: 'battery-discharged',
    because: {
      code: 'charge-first',
      with: { charge, needed: criteria.minimumCharge, ...(flat.length > 0 && { batteries: flat }) },
    },
    ...(units.length > 0 && flat.length > 0 && { batteries: flat }),
  };
}

function testNext(suspect: Ranked | undefined, input: DecisionInput): Decided {
  const { evidence, proposed } = input;
  const asks = (fault: FaultName | null, because: Said): Decided => ({
    action: 'test-next',
    part: null,
    fault,
    because,
  });
  if (suspect) {
    const { fault, probability } = suspect;
    const [excuse] = proofOf(fault, evidence).excuses;
    return asks(fault, { code: 'leads', with: { fault, probability, ...(excuse && { excuse }) } });
  }
  const [reading] = unexplained(null, input);
  if (reading) return asks(null, { code: 'outside-unexplained', with: { reading } });
  return asks(null, proposed()[0]?.because ?? { code: 'nothing-possible', with: {} });
}

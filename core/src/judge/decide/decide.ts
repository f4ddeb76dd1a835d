/** Eighth stage: the one thing to do now. */
import { threshold } from '../../criteria/weights';
import type { FaultName } from '../../format/names';
import type { Action, Part } from '../../format/words';
import type { Message } from '../../format/message';
import { isDeadAfterCharge } from '../../evidence/charge';
import type { ProvenCase } from '../prove/prove';
import type { Ranked } from '../rank/rank-faults';
import { didNotCrank, isCharged } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { flatBatteries, packOf } from './batteries';
import { EVEN_ODDS } from '../rank/even-odds';
import { callable } from './callable';
import { strongest } from './decision-input';
import type { DecisionInput } from './decision-input';
import { unexplained } from './unexplained';
import { isCallable, isReplaced, partOf } from '../rank/part-of';
import { whyStop } from './stop';
import { message } from '../messages';

export interface Decided {
  readonly action: Action;
  readonly part: Part | null;
  readonly fault: FaultName | null;
  readonly because: Message;
  /** The batteries it speaks of, of a pack. */
  readonly batteries?: readonly number[];
}

/**
 * The one decision: stop, call a fault, charge first, nothing found, or test on. A fault is called where it is probable
 * and proven; nothing is found only where all that the complaint asks for was read.
 */
export function decide(input: DecisionInput): Decided {
  const { provenCase, ranked, uncovered, impossible, failing, proposed } = input;
  const { gradedCase, probability } = provenCase;
  const stop = whyStop(gradedCase);
  if (stop) return { action: 'stop', part: null, fault: null, because: stop.says };

  const { charge } = gradedCase;
  const called = callable(input);
  // of a pack the flat battery is charged before any is condemned
  const packFirst = called && partOf(called.fault, gradedCase) === 'battery' && flatBatteries(gradedCase).length > 0;
  if (called && !packFirst) return call(called, provenCase);
  const suspect = ranked.find(({ fault }) => isCallable(fault));
  if (charge !== null && !isCharged(gradedCase) && !isDeadAfterCharge(gradedCase))
    // a look at the label is no reason to charge a battery that needs no other proof
    return suspect && lacksOnlyLabel(suspect, provenCase) ? testNext(suspect, input) : chargeFirst(gradedCase, charge);

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
    !didNotCrank(gradedCase) && // something holds it or nothing tells it to: that is no sound vehicle
    !isSuspected &&
    standing.length === 0 &&
    (probability.none >= threshold('sound') || nothingLeft)
  )
    return {
      action: 'none-found',
      part: null,
      fault: 'none',
      because: message(
        impossible.length > 0 ? 'none-found-but-missing' : failing.length > 0 ? 'none-found-beside' : 'none-found',
        { missing: impossible, outside: failing.map(({ reading }) => reading) },
      ),
    };
  return testNext(isSuspected ? suspect : undefined, input);
}

const lacksOnlyLabel = ({ fault, probability }: Ranked, { proofOf }: ProvenCase): boolean =>
  probability >= EVEN_ODDS && proofOf(fault).missing.join() === 'label';

function call(called: Ranked, provenCase: ProvenCase): Decided {
  const { gradedCase } = provenCase;
  const { fault, probability } = called;
  const part = partOf(fault, gradedCase);
  const evidence = strongest(called);
  const pack = part === 'battery' ? packOf(called, provenCase) : null;
  return {
    action: isReplaced(part) ? 'replace' : 'repair',
    part,
    fault,
    because: message('proven', { fault, probability, ...(evidence && { evidence }), ...(pack && { pack }) }),
    ...(pack && { batteries: pack.batteries }),
  };
}

function chargeFirst(gradedCase: GradedCase, charge: number): Decided {
  const { criteria, units } = gradedCase;
  const flat = flatBatteries(gradedCase);
  return {
    action: 'charge-first',
    part: 'battery',
    fault: 'battery-discharged',
    because: message('charge-first', {
      charge,
      needed: criteria.minimumCharge,
      ...(flat.length > 0 && { batteries: flat }),
    }),
    ...(units.length > 0 && flat.length > 0 && { batteries: flat }),
  };
}

function testNext(suspect: Ranked | undefined, input: DecisionInput): Decided {
  const { provenCase, proposed } = input;
  const asks = (fault: FaultName | null, because: Message): Decided => ({
    action: 'test-next',
    part: null,
    fault,
    because,
  });
  if (suspect) {
    const { fault, probability } = suspect;
    const [excuse] = provenCase.proofOf(fault).excuses;
    return asks(fault, message('leads', { fault, probability, ...(excuse && { excuse }) }));
  }
  const [reading] = unexplained(null, input);
  if (reading) return asks(null, message('outside-unexplained', { reading }));
  return asks(null, proposed()[0]?.because ?? message('nothing-possible', {}));
}

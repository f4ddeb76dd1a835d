/** Eighth stage: the one thing to do now. */
import { threshold } from '../../criteria/weights';
import type { FaultName } from '../../format/names';
import type { Action, Part } from '../../format/words';
import type { Message } from '../../format/message';
import { isDeadAfterCharge } from '../../evidence/charge';
import type { ProvenCase } from '../prove/prove';
import type { Ranked } from '../rank/rank-faults';
import { isCharged } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { flatBatteries, packOf } from './batteries';
import { EVEN_ODDS } from '../rank/even-odds';
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
 * The one decision: stop, the action of least expected cost, charge first, or test on while a step is expected to save
 * more than it costs, or while nothing may be decided yet.
 */
export function decide(input: DecisionInput): Decided {
  const { provenCase, ranked, impossible, failing, choice } = input;
  const { gradedCase } = provenCase;
  const stop = whyStop(gradedCase);
  if (stop) return { action: 'stop', part: null, fault: null, because: stop.says };

  const { charge } = gradedCase;
  const taken = isTaken(input) ? choice.action : null;
  // of a pack the flat battery is charged before any is condemned
  const packFirst = taken?.fault && taken.part === 'battery' && flatBatteries(gradedCase).length > 0;
  if (taken?.fault && !packFirst) return call(taken.fault, provenCase);
  // proven without a charge, and something quick is worth reading before it is called
  if (choice.action?.fault && !taken && charge !== null && !isCharged(gradedCase))
    return testNext(choice.action.fault, input);
  const suspect = ranked.find(({ fault }) => isCallable(fault));
  if (charge !== null && !isCharged(gradedCase) && !isDeadAfterCharge(gradedCase))
    // a look at the label is no reason to charge a battery that needs no other proof
    return suspect && lacksOnlyLabel(suspect, provenCase) ? testNext(suspect, input) : chargeFirst(gradedCase, charge);
  if (taken && !taken.fault)
    return {
      action: 'none-found',
      part: null,
      fault: 'none',
      because: message(
        impossible.length > 0 ? 'none-found-but-missing' : failing.length > 0 ? 'none-found-beside' : 'none-found',
        { missing: impossible, outside: failing.map(({ reading }) => reading) },
      ),
    };
  const isSuspected = suspect !== undefined && suspect.probability >= threshold('excused');
  return testNext(isSuspected ? suspect : undefined, input);
}

/** No step is worth its minutes, and deciding costs less than leaving it undecided. */
const isTaken = ({ choice: { action, worthwhile }, provenCase }: DecisionInput): boolean =>
  action !== null && worthwhile.length === 0 && action.loss <= provenCase.gradedCase.criteria.costs.undecided;

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

/** Eighth stage: the one thing to do now. */
import { threshold } from '../../criteria/weights';
import { drainCircuit } from '../../evidence/fuses';
import type { FaultName } from '../../format/names';
import type { Action, Part } from '../../format/words';
import type { Message } from '../../format/message';
import type { Reading } from '../../format/reading-shape';
import { isDeadAfterCharge } from '../../evidence/charge';
import type { ProvenCase } from '../prove/prove';
import type { Ranked } from '../rank/rank-faults';
import { isCharged, isMeasured } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { flatBatteries, packOf } from './batteries';
import { EVEN_ODDS } from '../rank/even-odds';
import type { Choice } from './choose';
import type { PieceName } from '../../circuit/paths';
import { openSignal } from './open-signal';
import { placeOf } from './place';
import { decidingReading } from './deciding';
import { likeliestOf } from './final-action';
import type { Call } from './final-action';
import { repaired } from './repaired';
import type { Repaired } from './repaired';
import { ruledOut } from './ruled-out';
import type { RuledOut } from './ruled-out';
import { strongest } from './decision-input';
import type { DecisionInput } from './decision-input';
import { lookFirst } from '../propose/look-first';
import { againstVolts } from '../propose/against-volts';
import { unexplained } from './unexplained';
import { isReplaced, mayDecide } from '../rank/part-of';
import { whyStop } from './stop';
import { message } from '../messages';

export interface Decided {
  readonly action: Action;
  readonly part: Part | null;
  readonly fault: FaultName | null;
  readonly because: Message;
  /** The batteries it speaks of, of a pack. */
  readonly batteries?: readonly number[];
  /** Of a call: the reading without which it would fall, and the other causes that are ruled out. */
  readonly deciding?: Reading;
  /** The pieces of a path to work on; several where no reading can tell them apart. */
  readonly place?: readonly PieceName[];
  readonly ruledOut?: readonly RuledOut[];
  /** Of a repair that is done: the same reading before and after. */
  readonly before?: Reading;
  readonly after?: Reading;
  /** Why it stops here, or what going on is worth. */
  readonly balance?: Message;
}

/** It asks for more: a test, or a charge. */
export const isUndecided = ({ action }: Pick<Decided, 'action'>): boolean =>
  action === 'test-next' || action === 'charge-first';

/**
 * The one decision: stop, the action of least expected cost, charge first, or test on while a step is expected to save
 * more than it costs, or while nothing may be decided yet.
 */
export function decide(input: DecisionInput): Decided {
  const { provenCase, ranked, impossible, failing, choice, first } = input;
  const { gradedCase } = provenCase;
  const stop = whyStop(gradedCase);
  if (stop) return { action: 'stop', part: null, fault: null, because: stop.says };

  const { charge } = gradedCase;
  const taken = isTaken(input) ? choice.action : null;
  if (againstVolts(gradedCase).length > 0 && (!taken?.fault || taken.part === 'battery'))
    return testNext(undefined, input);
  // of a pack the flat battery is charged before any is condemned
  const packFirst = taken?.fault && taken.part === 'battery' && flatBatteries(gradedCase).length > 0;
  if (taken?.fault && !packFirst) return call(taken, input);
  const mended = first && repaired(first, gradedCase);
  if (mended) return mendedBy(mended);
  // proven without a charge, and something quick is worth reading before it is called
  if (choice.action?.fault && !taken && charge !== null && !isCharged(gradedCase))
    return testNext(choice.action.fault, input);
  const suspect = choice.first ?? ranked.find(({ fault }) => mayDecide(fault, gradedCase));
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
      balance: message('stop-here', {}),
    };
  const isSuspected = suspect !== undefined && suspect.probability >= threshold('suspected');
  return testNext(isSuspected ? suspect : undefined, input);
}

/** No step is worth its minutes, and deciding costs less than leaving it undecided. */
const isTaken = ({ choice: { action, worthwhile }, provenCase }: DecisionInput): boolean =>
  action !== null && worthwhile.length === 0 && action.loss <= provenCase.gradedCase.criteria.costs.undecided;

const lacksOnlyLabel = ({ fault, probability }: Ranked, { proofOf }: ProvenCase): boolean =>
  probability >= EVEN_ODDS && proofOf(fault).missing.join() === 'label';

function call(called: Call, { provenCase, failing }: DecisionInput): Decided {
  const { gradedCase, figures } = provenCase;
  const { part } = called;
  const { fault, probability } = called.fault;
  const evidence = strongest(called.fault);
  const pack = part === 'battery' ? packOf(called.fault, provenCase) : null;
  const deciding = decidingReading(called, provenCase, failing);
  const excluded = ruledOut(called, gradedCase);
  const circuit = part === 'drain' ? drainCircuit(gradedCase) : null;
  const open = fault === 'starter-control' ? openSignal(gradedCase) : null;
  const place = placeOf(likeliestOf(called, provenCase.probability), figures.paths, failing);
  return {
    action: isReplaced(part) ? 'replace' : 'repair',
    part,
    fault,
    because: message('proven', {
      fault,
      probability,
      ...(evidence && { evidence }),
      ...(excluded.length > 0 && { causes: excluded.map(({ cause }) => cause) }),
      ...(place.length > 0 && { place }),
      ...(pack && { pack }),
      ...(circuit && { circuit }),
      ...(open && { open }),
    }),
    ...(pack && { batteries: pack.batteries }),
    ...(place.length > 0 && { place }),
    ...(deciding && { deciding }),
    ruledOut: excluded,
    balance: message('stop-here', {}),
  };
}

const mendedBy = ({ fault, part, before, after }: Repaired): Decided => ({
  action: 'repaired',
  part,
  fault,
  because: message('repaired', { fault, before, after }),
  before,
  after,
});

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
  const { provenCase, proposed, choice } = input;
  const balance = worthOf(choice);
  const asks = (fault: FaultName | null, because: Message): Decided => ({
    action: 'test-next',
    part: null,
    fault,
    because,
    ...(balance && { balance }),
  });
  if (suspect) {
    const { fault, probability } = suspect;
    const [excuse] = provenCase.proofOf(fault).excuses;
    return asks(
      fault,
      message('leads', {
        fault,
        probability,
        ...(excuse && { excuse }),
        ...(!isMeasured(provenCase.gradedCase) && { isGuess: true as const }),
      }),
    );
  }
  const look = lookFirst(provenCase.gradedCase);
  if (look !== null) return asks(null, message('look-first', { look }));
  if (againstVolts(provenCase.gradedCase).length > 0) return asks(null, message('read-both-again', {}));
  const [reading] = unexplained(null, input);
  if (reading) return asks(null, message('outside-unexplained', { reading }));
  return asks(null, proposed()[0]?.because ?? message('nothing-possible', {}));
}

/** What the best step takes away of what the decision would cost now. */
function worthOf({ action, worthwhile: [best] }: Choice): Message | null {
  if (!action || !best || action.loss === 0) return null;
  return message('go-on', { minutes: best.minutes, share: Math.min(1, best.saves / action.loss) });
}

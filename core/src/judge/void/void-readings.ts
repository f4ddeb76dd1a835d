/** Second stage: which readings may not be judged, and why. */
import { compareWithLimits } from '../../evidence/compare-with-limits';
import { isTried, unitVolts } from '../../evidence/case-context';
import type { CaseContext, VehicleFacts, VoidedReadings } from '../../evidence/case-context';
import { isNextToNothing } from '../../evidence/void/drop-rules';
import { isCrankingPath } from '../../circuit/paths';
import type { TestName } from '../../format/names';
import { asOwnBattery } from '../../evidence/own-battery';
import type { Reading } from '../../format/reading-shape';
import type { Message } from '../../format/message';
import { OBSERVATIONS, OBSERVATION_NAMES, TESTS } from '../../trade/tables';
import { caseContext } from '../context/case-context';
import { message } from '../messages';
import { once } from '../once';
import { outsidePhysics } from './physics';

/** One pass with its void readings left out, and why each was. */
export interface ValidCase {
  readonly context: CaseContext;
  /** Why a reading is void, by its id. */
  readonly voids: ReadonlyMap<string, Message>;
}

/** The rules look at every reading that a vehicle can show; what physics does not allow is seen by none of them. */
export function voidReadings(vehicle: VehicleFacts): ValidCase {
  const voids = new Map<string, Message>();
  const possible: Reading[] = [];
  for (const reading of vehicle.case.readings) {
    if (!isTried(reading, vehicle.pass)) continue;
    const why = notPhysical(reading, vehicle);
    if (why) voids.set(reading.id, why);
    else possible.push(reading);
  }
  const context = caseContext(vehicle, possible);
  const doubts = doubtsOf(context);
  const valid = possible.filter((reading) => {
    const why = reading.value === null ? null : whyVoid(reading, context, doubts);
    if (why) voids.set(reading.id, why);
    return why === null;
  });
  if (valid.length === possible.length) return { context, voids };
  return { context: caseContext(vehicle, valid, voidedReadings(possible, voids, context)), voids };
}

function notPhysical(reading: Reading, { case: { system } }: VehicleFacts): Message | null {
  const nominalVolts = reading.battery === undefined ? system.nominalVolts : unitVolts(system);
  const wrong = outsidePhysics(reading, nominalVolts);
  if (!wrong) return null;
  const { slip, ...figures } = wrong;
  return message('outside-physics', { test: reading.test, ...figures, ...(slip && { meant: slip.value }) });
}

type Doubt = (reading: Reading) => Message | null;

/** What was observed of the instruments and makes readings doubtful. */
const doubtsOf = ({ observed }: CaseContext): readonly Doubt[] =>
  DOUBTING.flatMap((about) => {
    const finding = observed.get(about);
    return finding === undefined
      ? []
      : [(reading: Reading) => OBSERVATIONS[about].doubts!(finding, reading, TESTS[reading.test])];
  });

/** Observations that can make readings doubtful. */
const DOUBTING = OBSERVATION_NAMES.filter((about) => OBSERVATIONS[about].doubts !== undefined);

/** Why a reading may not be judged, or null; the first rule that speaks counts. */
function whyVoid(reading: Reading, whole: CaseContext, doubts: readonly Doubt[]): Message | null {
  for (const doubt of doubts) {
    const why = doubt(reading);
    if (why) return why;
  }
  const row = TESTS[reading.test];
  if (!row.voids) return null;
  const context = asOwnBattery(whole, reading.battery);
  const compared = once(() => compareWithLimits(reading, row, context));
  for (const rule of row.voids) {
    const why = rule(reading, context, compared);
    if (why) return why;
  }
  return null;
}

/** What the void readings of a pass still tell. */
function voidedReadings(
  readings: readonly Reading[],
  voids: ReadonlyMap<string, Message>,
  { scale }: CaseContext,
): VoidedReadings {
  const closed = new Set<TestName>();
  const contradicted = new Set<TestName>();
  const againstVolts: Reading[] = [];
  for (const reading of readings) {
    const code = voids.get(reading.id)?.code;
    if (code === 'part-above-whole') contradicted.add(reading.test);
    else if (code === 'gravity-against-volts') againstVolts.push(reading);
    else if (code === 'drop-without-current' && isCrankingPath(reading.test) && isNextToNothing(reading, scale))
      closed.add(reading.test);
  }
  return { closed, contradicted, againstVolts };
}

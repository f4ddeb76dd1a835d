import { didNotCrank } from '../../evidence/case-context';
import type { CaseContext } from '../../evidence/case-context';
import { isFlowless } from '../../evidence/flow';
import type { FaultName } from '../../format/names';
import type { Part } from '../../format/words';
import { MENDED_BY } from '../../trade/parts';
import { FAULTS, FAULT_NAMES } from '../../trade/tables';

/** The part a fault belongs to in this vehicle. */
export const partOf = (fault: FaultName, context: CaseContext): Part | null =>
  FAULTS[fault].seenAs?.(context) ?? FAULTS[fault].part(context.case.system);

/** True for a part that is put right by a new one; the others by a repair. */
export const isReplaced = (part: Part | null): boolean => part !== null && MENDED_BY[part] === 'replace';

/** True for a fault that a part is called for. */
export const isCallable = (fault: FaultName): boolean => FAULTS[fault].isNeverCalled !== true;

const KEEPS_FROM_CRANKING: ReadonlySet<FaultName> = new Set(
  FAULT_NAMES.filter((fault) =>
    Object.keys(FAULTS[fault].symptoms).some(
      (symptom) => symptom.startsWith('no-crank') || symptom.startsWith('spins'),
    ),
  ),
);

/** True for a fault that may decide: of a vehicle that does not crank nothing of its charging side does. */
export const mayDecide = (fault: FaultName, context: CaseContext): boolean =>
  isCallable(fault) && (KEEPS_FROM_CRANKING.has(fault) || !(didNotCrank(context) || isFlowless(context)));

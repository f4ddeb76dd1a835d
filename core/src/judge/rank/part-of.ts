import type { CaseContext } from '../../evidence/case-context';
import type { FaultName } from '../../format/names';
import type { Part } from '../../format/words';
import { MENDED_BY } from '../../trade/parts';
import { FAULTS } from '../../trade/tables';

/** The part a fault belongs to in this vehicle. */
export const partOf = (fault: FaultName, { case: { system } }: CaseContext): Part | null => FAULTS[fault].part(system);

/** True for a part that is put right by a new one; the others by a repair. */
export const isReplaced = (part: Part | null): boolean => part !== null && MENDED_BY[part] === 'replace';

/** True for a fault that a part is called for. */
export const isCallable = (fault: FaultName): boolean => FAULTS[fault].isNeverCalled !== true;

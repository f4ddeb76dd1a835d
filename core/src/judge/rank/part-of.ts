import type { FaultName } from '../../format/names';
import type { Part } from '../../format/words';
import { FAULTS } from '../../trade/tables';
import type { CaseContext } from '../../evidence/case-context';

/** The part a fault belongs to in this vehicle. */
export const partOf = (fault: FaultName, { case: { system } }: CaseContext): Part | null => FAULTS[fault].part(system);

/** Faults that are put right by a new part; the others by a repair. */
const REPLACED: ReadonlySet<Part | null> = new Set<Part | null>(['battery', 'starter', 'alternator', 'belt']);
export const isReplaced = (part: Part | null): boolean => REPLACED.has(part);

/** Nothing is wrong, or only the charge is: neither is a fault that a part is called for. */
export const isCallable = (fault: FaultName): boolean => fault !== 'none' && fault !== 'battery-discharged';

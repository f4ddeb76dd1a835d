import { causeOf } from '../evidence/finding';
import type { Cause } from '../evidence/finding';
import type { FaultName } from '../format/names';
import { FAULT_FILES } from './faults';
import type { Fault, Pattern } from './fault';

/** The faults that show a pattern, as causes of a finding: each with the share of its cases that do. */
export const faultsShowing = (pattern: Pattern): readonly Cause[] =>
  (Object.entries(FAULT_FILES) as [FaultName, Fault][]).flatMap(([name, { shows }]) => {
    const share = shows?.[pattern];
    return share === undefined ? [] : [causeOf(name, share)];
  });

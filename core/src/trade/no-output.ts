import type { GradedCase } from '../evidence/case-context';
import { causeOf } from '../evidence/finding';
import type { Cause } from '../evidence/finding';
import { studVolts } from '../evidence/stud-volts';
import { faultsShowing } from './faults-showing';

const NO_OUTPUT = faultsShowing('no-output');
/** Where the stud has none of the battery's volts the output path is open: that explains it in every such vehicle. */
const WITH_OPEN_PATH = NO_OUTPUT.map((cause) =>
  cause.fault === 'charge-cable-positive' ? causeOf('charge-cable-positive') : cause,
);

/** What may be wrong where nothing comes out of the alternator. */
export const noOutput = (gradedCase: GradedCase): readonly Cause[] =>
  studVolts(gradedCase) === 'none' ? WITH_OPEN_PATH : NO_OUTPUT;

/** What became of jobs after they were signed off: comebacks, how often the judge was right, and cases to give away. */
export { anonymousCase } from './anonymous-case';
export { MIN_CALIBRATED, calibrate, shareBand } from './calibration';
export type { CalibrationGroup, Said } from './calibration';
export { COMEBACK_DAYS, NO_COMPLAINT, comebackOf, complaintsIn, sharedComplaints } from './comeback';
export type { Comeback, ComplaintVisit } from './comeback';
export { CAUSES, COMPLAINT_STATES, complaintAfter, hasDiffered, wasRight } from './outcome';
export type { Cause, ComplaintState, RecordedOutcome, ShortDecision, SignedJob } from './outcome';
export { OutcomeSums } from './statistics';
export type { OutcomeCount, OutcomeStatistics, SavedPart, VerdictOutcome } from './statistics';

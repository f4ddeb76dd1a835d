/** Whether the solenoid is told to close, by what was read at its control terminal, seen or said. */
import type { Reading } from '../format/reading-shape';
import { beside } from './beside';
import { latest, observed } from './case-context';
import type { CaseContext } from './case-context';

/** What the battery still has where nobody read it (12 V), V. */
const USUAL_VOLTS = 12;
/** With less than this share of the battery's volts at its control terminal a solenoid does not close. */
const CLOSES_FROM = 0.6;

/** What the posts had in the crank of this reading, V; null where nobody read it. */
export const crankedBeside = (reading: Reading, context: CaseContext): number | null =>
  beside(reading, 'cranking-voltage', context)?.value ?? null;

/** The battery's volts while the key was at start for this reading, V: as read cranking, else at rest, else the usual. */
export const voltsUnderKey = (reading: Reading, context: CaseContext): number =>
  crankedBeside(reading, context) ?? context.resting ?? USUAL_VOLTS * context.scale;

/** The control voltage was read, and it is enough to close the solenoid. */
export const hasControlVolts = (context: CaseContext): boolean => controlShare(context) >= CLOSES_FROM;

/** The control voltage was read, and it is too little to close the solenoid. */
export const lacksControlVolts = (context: CaseContext): boolean => controlShare(context) < CLOSES_FROM;

/** Share of the battery's volts at the control terminal; NaN where nobody read it, which is neither enough nor too little. */
function controlShare(context: CaseContext): number {
  const control = latest(context, 'starter-control-voltage');
  return control ? control.value / voltsUnderKey(control, context) : NaN;
}

/** Somebody heard the solenoid close. */
export const isHeardToClose = (context: CaseContext): boolean => observed(context, 'solenoid') === 'clicks';

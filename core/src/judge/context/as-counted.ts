/** Readings as they count: a crank on one isolated battery as that battery's, volts of a scan tool as at the post. */
import { atThePost, isFromModule } from '../../evidence/scan-tool';
import type { Case } from '../../format/case-shape';
import type { Reading } from '../../format/reading-shape';

/** @returns the case itself where every reading counts as it stands. */
export function asCounted(subject: Case): Case {
  if (!subject.readings.some((reading) => isAlone(reading) || isFromModule(reading))) return subject;
  const readings = subject.readings.map((reading) => atThePost(compared(ofItsBattery(reading), subject.readings)));
  return { ...subject, readings };
}

const isAlone = ({ battery, conditions }: Reading): boolean =>
  battery === undefined && Number.isInteger(conditions?.isolated);

const ofItsBattery = (reading: Reading): Reading =>
  isAlone(reading) ? { ...reading, battery: reading.conditions!.isolated! } : reading;

/** The difference to the post is found once: the newest that was read at key-on serves every later reading. */
function compared(reading: Reading, all: readonly Reading[]): Reading {
  if (!isFromModule(reading) || reading.conditions?.offsetVolts !== undefined) return reading;
  const offsetVolts = all.findLast(
    ({ test, conditions, void: byHand }) =>
      test === 'module-voltage' && byHand === undefined && conditions?.offsetVolts !== undefined,
  )?.conditions?.offsetVolts;
  return offsetVolts === undefined ? reading : { ...reading, conditions: { ...reading.conditions, offsetVolts } };
}

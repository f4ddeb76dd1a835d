/** A row of a round sheet in words, for screen, CSV and paper alike. */
import { decisionWords } from '@tetrad/core';
import type { FigureFormat, NoteName, Profile } from '@tetrad/core';
import type { SheetRow, Urgency } from './rounds';

export const URGENCY_WORDS: Readonly<Record<Urgency, string>> = {
  act: 'Act',
  doubtful: 'Open',
  due: 'Due',
  sound: 'Sound',
};

/** A note that moved by so much is told, share of the nominal voltage: twice what two meters differ by. */
const TOLD_SHARE: Readonly<Record<NoteName, number>> = {
  'resting-voltage': 0.1 / 12,
  'cranking-voltage': 0.3 / 12,
  'charging-voltage': 0.2 / 12,
  'ripple-ac': 0.03 / 12,
};
const SHORT: Readonly<Record<NoteName, string>> = {
  'resting-voltage': 'Resting',
  'cranking-voltage': 'Cranking',
  'charging-voltage': 'Charging',
  'ripple-ac': 'Ripple',
};
/** The axis of a profile is 10 V high on a 12 V system. */
const AXIS_OF_NOMINAL = 12 / 10;

export interface SheetWords {
  readonly vehicle: string;
  readonly plate: string;
  readonly urgency: string;
  readonly says: string;
  readonly checked: string;
  readonly due: string;
  readonly notes: Readonly<Record<NoteName, string>>;
  readonly changed: string;
  readonly comment: string;
}

export function sheetWords(row: SheetRow, format: FigureFormat): SheetWords {
  const { vehicle, urgency, decision, profile, profileBefore, isSound, comment, at, dueOn } = row;
  return {
    vehicle: vehicle.name,
    plate: vehicle.plate ?? '',
    urgency: URGENCY_WORDS[urgency],
    says: isSound ? 'All four notes within their limits' : decision ? decisionWords(decision, format) : 'Never checked',
    checked: at?.slice(0, 10) ?? '',
    due: dueOn ?? '',
    notes: {
      'resting-voltage': voltsWords(profile, 'resting-voltage', format),
      'cranking-voltage': voltsWords(profile, 'cranking-voltage', format),
      'charging-voltage': voltsWords(profile, 'charging-voltage', format),
      'ripple-ac': voltsWords(profile, 'ripple-ac', format),
    },
    changed: changedWords(profile, profileBefore, format),
    comment: comment ?? '',
  };
}

function voltsOf(profile: Profile | null, note: NoteName): number | null {
  if (profile === null) return null;
  if (note === 'ripple-ac') return profile.ripple?.volts ?? null;
  return profile.notes.find((one) => one.note === note)?.volts ?? null;
}
function voltsWords(profile: Profile | null, note: NoteName, format: FigureFormat): string {
  const volts = voltsOf(profile, note);
  return volts === null ? '' : figure(volts, note, format);
}

const figure = (volts: number, note: NoteName, format: FigureFormat): string =>
  note === 'ripple-ac' ? format.smallVolts(volts) : format.volts(volts);

function changedWords(profile: Profile | null, before: Profile | null, format: FigureFormat): string {
  if (profile === null || before === null) return '';
  const nominal = (profile.top - profile.bottom) * AXIS_OF_NOMINAL;
  const moved = (Object.keys(TOLD_SHARE) as NoteName[]).flatMap((note) => {
    const [now, then] = [voltsOf(profile, note), voltsOf(before, note)];
    if (now === null || then === null || Math.abs(now - then) < TOLD_SHARE[note] * nominal) return [];
    return [`${SHORT[note]} ${figure(then, note, format)} → ${figure(now, note, format)}`];
  });
  return moved.join(', ') || 'No change';
}

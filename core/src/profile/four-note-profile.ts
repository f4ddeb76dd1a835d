/**
 * The four-note profile: resting, cranking and charging volts as levels on one axis joined by one
 * line, ripple as the thickness of the line at charging, the allowed band behind each note.
 *
 * Geometry only, in a unit square (x to the right, y down): screens, print and PDF draw the same.
 */
import type { Grade } from '../format/words';
import type { Assessment } from '../judge/grade/assessment';
import { TESTS } from '../trade/tables';

/** The four notes of the profile, in the order they are measured. */
export const FOUR_NOTES = ['resting-voltage', 'cranking-voltage', 'charging-voltage', 'ripple-ac'] as const;
export type NoteName = (typeof FOUR_NOTES)[number];

/** One level of the profile. */
export interface ProfileNote {
  readonly note: NoteName;
  readonly name: string;
  readonly x: number;
  /** Height of the level, or null where the note was not read. */
  readonly y: number | null;
  readonly volts: number | null;
  readonly grade: Grade | null;
  /** The allowed band as top and bottom, or null where there is no limit. */
  readonly band: { readonly top: number; readonly bottom: number } | null;
}

export interface Profile {
  readonly notes: readonly ProfileNote[];
  /** Levels that are joined by the line. */
  readonly line: readonly { readonly x: number; readonly y: number }[];
  /** Half the thickness of the line at charging that the ripple makes, in the same unit. */
  readonly ripple: { readonly x: number; readonly y: number; readonly half: number; readonly volts: number } | null;
  /** Volts at the top and bottom edge. */
  readonly top: number;
  readonly bottom: number;
  readonly ticks: readonly { readonly volts: number; readonly y: number }[];
}

/** The axis of a 12 V system; 6 and 24 V scale it. */
const AXIS_12V = { top: 16, bottom: 6 } as const;
/** Ripple is drawn this many times deeper than its volts, or it would be a hair. */
const RIPPLE_MAGNIFIED = 2;
const COLUMNS: Readonly<Record<Exclude<NoteName, 'ripple-ac'>, number>> = {
  'resting-voltage': 1 / 6,
  'cranking-voltage': 3 / 6,
  'charging-voltage': 5 / 6,
};

/** @param assessments Graded readings, oldest first. @param nominalVolts 6, 12 or 24. */
export function fourNoteProfile(assessments: readonly Assessment[], nominalVolts: number): Profile {
  const scale = nominalVolts / 12;
  const top = AXIS_12V.top * scale;
  const bottom = AXIS_12V.bottom * scale;
  const toY = (volts: number): number => Math.min(1, Math.max(0, (top - volts) / (top - bottom)));
  const notes = FOUR_NOTES.filter((note) => note !== 'ripple-ac').map((note): ProfileNote => {
    const found = newest(assessments, note);
    const volts = typeof found?.reading.value === 'number' ? found.reading.value : null;
    const limit = found?.resolved?.drawn;
    return {
      note,
      name: TESTS[note].name,
      x: COLUMNS[note],
      y: volts === null ? null : toY(volts),
      volts,
      grade: found?.grade ?? null,
      band: limit ? { top: toY(Math.min(top, limit.max)), bottom: toY(Math.max(bottom, limit.min)) } : null,
    };
  });
  const ripple = newest(assessments, 'ripple-ac');
  const charging = notes[2]!;
  const rippleVolts = typeof ripple?.reading.value === 'number' ? ripple.reading.value : null;
  const ticks: { volts: number; y: number }[] = [];
  for (let volts = AXIS_12V.bottom; volts <= AXIS_12V.top; volts += 2)
    ticks.push({ volts: volts * scale, y: toY(volts * scale) });
  return {
    notes,
    line: notes.flatMap(({ x, y }) => (y === null ? [] : [{ x, y }])),
    ripple:
      rippleVolts === null
        ? null
        : {
            x: charging.x,
            y: charging.y ?? toY(13.8 * scale),
            half: Math.min(0.2, (rippleVolts * RIPPLE_MAGNIFIED) / (top - bottom)),
            volts: rippleVolts,
          },
    top,
    bottom,
    ticks,
  };
}

const newest = (assessments: readonly Assessment[], note: NoteName): Assessment | undefined =>
  assessments
    .filter(({ reading, grade }) => reading.test === note && reading.value !== null && grade !== 'void')
    .at(-1);

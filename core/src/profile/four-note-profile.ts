/**
 * The four-note profile: resting, cranking and charging volts as levels on one axis joined by one
 * line, ripple as the thickness of the line at charging, the allowed band behind each note.
 *
 * Geometry only, in a unit square (x to the right, y down): screens, print and PDF draw the same.
 */
import type { System } from '../format/case-shape';
import { inSeriesOf } from '../evidence/case-context';
import type { GradedCase } from '../evidence/case-context';
import { compareWithLimits } from '../evidence/compare-with-limits';
import type { Grade } from '../format/words';
import type { Assessment } from '../evidence/assessment';
import { FOUR_NOTES } from '../trade/four-notes';
import type { NoteName } from '../trade/four-notes';
import { TESTS } from '../trade/tables';

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

/**
 * @param assessments Graded readings, oldest first.
 * @param system The vehicle's: its nominal volts, and how its batteries are built together.
 * @param gradedCase With it a note that was not read shows the band that its reading will be graded by.
 */
export function fourNoteProfile(assessments: readonly Assessment[], system: System, gradedCase?: GradedCase): Profile {
  const { nominalVolts } = system;
  const inSeries = inSeriesOf(system);
  const scale = nominalVolts / 12;
  const top = AXIS_12V.top * scale;
  const bottom = AXIS_12V.bottom * scale;
  const toY = (volts: number): number => Math.min(1, Math.max(0, (top - volts) / (top - bottom)));
  const notes = FOUR_NOTES.filter((note) => note !== 'ripple-ac').map((note): ProfileNote => {
    const { volts, grade, limit } = levelOf(assessments, note, inSeries, gradedCase);
    return {
      note,
      name: TESTS[note].name,
      x: COLUMNS[note],
      y: volts === null ? null : toY(volts),
      volts,
      grade,
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

interface Level {
  readonly volts: number | null;
  readonly grade: Grade | null;
  readonly limit: { readonly min: number; readonly max: number } | null;
}
const NOT_READ: Level = { volts: null, grade: null, limit: null };
const WORST_FIRST: readonly Grade[] = ['outside', 'near', 'within', 'noted'];

/** The pack's level: batteries read by themselves add up in series, and in parallel the lowest counts. */
function levelOf(
  assessments: readonly Assessment[],
  note: NoteName,
  inSeries: number,
  gradedCase: GradedCase | undefined,
): Level {
  const last = newest(assessments, note);
  if (typeof last?.reading.value !== 'number')
    return gradedCase ? { ...NOT_READ, limit: expectedLimit(note, gradedCase) } : NOT_READ;
  if (last.reading.battery === undefined)
    return { volts: last.reading.value, grade: last.grade, limit: last.resolved?.drawn ?? null };
  const each = new Map<number, Assessment>();
  for (const entry of assessments)
    if (entry.reading.test === note && entry.reading.battery !== undefined && entry.grade !== 'void')
      each.set(entry.reading.battery, entry);
  const own = [...each.values()];
  const volts = own.flatMap(({ reading }) => (typeof reading.value === 'number' ? [reading.value] : []));
  const one = inSeries > 1 ? volts.reduce((sum, value) => sum + value, 0) / volts.length : Math.min(...volts);
  const limit = last.resolved?.drawn;
  return {
    volts: one * inSeries,
    grade: WORST_FIRST.find((grade) => own.some((entry) => entry.grade === grade)) ?? last.grade,
    limit: limit ? { min: limit.min * inSeries, max: limit.max * inSeries } : null,
  };
}

/** The limit of a reading that is still to be taken; null where it depends on what is not known yet. */
function expectedLimit(note: NoteName, gradedCase: GradedCase): Level['limit'] {
  const row = TESTS[note];
  const reading = { id: 'expected', test: note, value: row.usual * gradedCase.scale };
  return compareWithLimits(reading, row, gradedCase)?.resolved.drawn ?? null;
}

const newest = (assessments: readonly Assessment[], note: NoteName): Assessment | undefined =>
  assessments
    .filter(({ reading, grade }) => reading.test === note && reading.value !== null && grade !== 'void')
    .at(-1);

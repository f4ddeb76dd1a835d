/** The report on paper: whatever a job holds, what is drawn lies on the page, and pictures show what they tell of. */
import { join } from 'node:path';
import { inflateSync } from 'node:zlib';
import { judge } from '@tetrad/core';
import type { Case, Reading } from '@tetrad/core';
import type { CaptureView, JobView } from '@tetrad/contracts';
import { SOUND_SYSTEM as SYSTEM, caseOf as someCase, read } from '../../core/test/cases';
import { PDF } from '../src/reports/pdf-task';

const FIGURES = { decimal: 'point', temperature: 'C', smallVolts: 'mV' } as const;
const FONTS = join(__dirname, '../../node_modules/source-sans');
/** A4, pt. */
const PAPER = { wide: 595.28, high: 841.89 };
const VERMILION = /0\.70196\d* 0\.19215\d* 0\.10196\d* (?:scn|SCN)/;

const jobOf = (subject: Case, more: Partial<JobView> = {}): JobView => ({
  id: '00000000-0000-4000-8000-000000000001',
  version: 1,
  revision: 1,
  pass: 'before',
  vehicle: { id: 'v', name: 'Quay van', plate: 'Q-1', vin: null, year: null, group: null, batteryFittedOn: null },
  status: 'open',
  assignee: null,
  criteria: 'balanced',
  criteriaSet: null,
  openedAt: '2026-03-02T09:00:00Z',
  case: subject,
  judgement: judge(subject),
  timers: [],
  acknowledgements: [],
  outcome: null,
  signOff: null,
  supersededSignOff: null,
  imported: null,
  importedSignOff: null,
  ...more,
});
const BAD_GROUND: readonly Reading[] = [
  read('resting-voltage', 12.64, { surfaceChargeRemoved: true }),
  read('conductance', 552),
  read('cranking-voltage', 11.4, { method: 'min-max', seconds: 8 }),
  read('starter-draw', 92),
  read('drop-starter-positive', 0.2, { amps: 92 }),
  read('drop-negative-post', 0.02, { amps: 92 }),
  read('drop-starter-ground', 2.9, { amps: 92 }),
];
const caseOf = (readings: readonly Reading[], more: Partial<Case> = {}): Case => ({
  ...someCase(readings, { symptoms: ['slow-crank'] }),
  ...more,
});
const CAPTURE = {
  name: 'morning start.csv',
  found: {
    seconds: 12,
    segments: [
      { kind: 'rest', fromS: 0, toS: 3 },
      { kind: 'crank', fromS: 3, toS: 9 },
      { kind: 'charging', fromS: 9, toS: 12 },
    ],
    findings: [{ finding: 'weak-cylinder', confidence: 0.9, because: 'Every fourth dip is shallow.' }],
    outline: { volts: [12.5, 12.7, 9.8, 11.2, 9.9, 11.1, 14.0, 14.3], amps: [0, 1, 120, 420, 110, 180, -40, -10] },
  },
} as unknown as CaptureView;

/** The drawing operators of every page, its points from the top left. */
async function drawn(job: JobView, captures: readonly CaptureView[] = []) {
  const bytes = Buffer.from(
    await PDF.work({ job, options: { shop: 'Yard', fontsFolder: FONTS, figures: FIGURES, captures } }),
  );
  const text = bytes.toString('latin1');
  const streams = [...text.matchAll(/stream\n([\s\S]*?)\nendstream/g)].flatMap(([, body]) => {
    try {
      const opened = inflateSync(Buffer.from(body!, 'latin1')).toString('latin1');
      return opened.includes(' cm\n') ? [opened] : [];
    } catch {
      return [];
    }
  });
  const points = streams.flatMap((stream) =>
    [...stream.matchAll(/(-?[\d.]+) (-?[\d.]+) (?:m|l|Tm)\n/g)].map(([, x, y]) => [Number(x), Number(y)] as const),
  );
  const rectangles = streams.flatMap((stream) =>
    [...stream.matchAll(/(-?[\d.]+) (-?[\d.]+) (-?[\d.]+) (-?[\d.]+) re\n/g)].map((found) =>
      found.slice(1, 5).map(Number),
    ),
  );
  const pages = text.match(/\/Type ?\/Page\b/g)!.length;
  const all = streams.join('\n');
  return { pages, all, points, rectangles, lines: all.match(/ (?:m|l)\n/g)!.length };
}

const LONG = 'A vehicle with a name that is much longer than any plate of a yard could ever be, twice over '.slice(
  0,
  80,
);
const after = (readings: readonly Reading[]): readonly Reading[] =>
  readings.map((reading) => ({ ...reading, id: `${reading.id} after`, pass: 'after' as const }));
const JOBS: readonly (readonly [string, JobView, readonly CaptureView[]])[] = [
  ['nothing read', jobOf(caseOf([])), []],
  ['a bad ground', jobOf(caseOf(BAD_GROUND)), []],
  [
    'before and after a repair',
    jobOf(
      caseOf([
        ...BAD_GROUND,
        ...after(BAD_GROUND.slice(0, -1)),
        read('drop-starter-ground', 0.06, { amps: 140 }, { pass: 'after' }),
      ]),
    ),
    [],
  ],
  ['a recorded start', jobOf(caseOf(BAD_GROUND)), [CAPTURE]],
  [
    'long words everywhere',
    jobOf(caseOf(BAD_GROUND, { complaint: { symptoms: ['slow-crank'], note: 'x '.repeat(600) } }), {
      vehicle: {
        id: 'v',
        name: LONG,
        plate: 'W'.repeat(16),
        vin: null,
        year: 2009,
        group: null,
        batteryFittedOn: null,
      },
      assignee: 'Wilhelmina '.repeat(6),
    }),
    [],
  ],
  ['a word without a space', jobOf(caseOf(BAD_GROUND, { complaint: { note: 'x'.repeat(900) } })), []],
  [
    'a 24 V truck',
    jobOf(
      caseOf(
        BAD_GROUND.map((reading) => ({
          ...reading,
          value:
            typeof reading.value === 'number' && reading.test !== 'conductance' ? reading.value * 2 : reading.value,
        })),
        { system: { ...SYSTEM, nominalVolts: 24 } },
      ),
    ),
    [],
  ],
  [
    'hundreds of readings',
    jobOf(caseOf(Array.from({ length: 300 }, (_, i) => read('resting-voltage', 12.4 + (i % 30) / 100)))),
    [],
  ],
];

describe('whatever a job holds', () => {
  it.each(JOBS)('%s: every line and every field lies on the paper', async (_name, job, captures) => {
    const { points, rectangles, pages } = await drawn(job, captures);
    const isOn = (x: number, y: number): boolean => x >= 0 && x <= PAPER.wide && y >= 0 && y <= PAPER.high;
    expect(points.filter(([x, y]) => !isOn(x, y))).toEqual([]);
    expect(rectangles.filter(([x, y, w, h]) => !isOn(x!, y!) || !isOn(x! + w!, y! + h!))).toEqual([]);
    expect(pages).toBeGreaterThanOrEqual(2);
    expect(pages).toBeLessThan(20);
  });
});

describe('pictures', () => {
  it('what lies outside its limit is drawn in the ink of “outside”; of a sound vehicle nothing is', async () => {
    expect(VERMILION.test((await drawn(jobOf(caseOf(BAD_GROUND)))).all)).toBe(true);
    expect(VERMILION.test((await drawn(jobOf(caseOf(BAD_GROUND.slice(0, 2), { complaint: {} })))).all)).toBe(false);
  });

  it('a recorded start is drawn with as many points as it has, and one without an outline is left out', async () => {
    const without = { ...CAPTURE, found: { ...CAPTURE.found!, outline: undefined } } as unknown as CaptureView;
    const [plain, recorded, bare] = [
      await drawn(jobOf(caseOf(BAD_GROUND))),
      await drawn(jobOf(caseOf(BAD_GROUND)), [CAPTURE]),
      await drawn(jobOf(caseOf(BAD_GROUND)), [without]),
    ];
    // volts and amps, each a closed shape of two edges of four stretches
    expect(recorded.lines - plain.lines).toBe(2 * 2 * 4);
    expect(recorded.rectangles.length).toBeGreaterThan(plain.rectangles.length);
    expect(bare.lines).toBe(plain.lines);
  });
});

/** What is seen of a recording, and how its chart is dressed. */
import type { Chart } from 'chart.js';
import type { Capture } from '@tetrad/core/capture-format';
import fc from 'fast-check';
import type { Drawn } from '../src/app/captures/worker-messages';
import { axes, dataset, markCursors, points, segmentBoxes } from '../src/app/screens/captures/chart-dress';
import type { ChartTheme } from '../src/app/kit/chart-theme';
import { CLOSEST_S, panned, within, zoomed } from '../src/app/screens/captures/stretch';

const THEME = new Proxy({}, { get: (_target, name) => String(name) }) as ChartTheme;
const seconds = (min: number, max: number) => fc.double({ min, max, noNaN: true });
/** A record of some seconds, and a stretch that lies in it. */
const seen = fc
  .tuple(seconds(0.01, 5000), seconds(0, 1), seconds(0, 1))
  .map(([endS, a, b]) => ({ endS, stretch: { fromS: Math.min(a, b) * endS, toS: Math.max(a, b) * endS } }));

describe('what is seen of a recording', () => {
  it('never reaches out of it, is never narrower than can be seen, and keeps its width where it may', () => {
    fc.assert(
      fc.property(seconds(0.01, 5000), seconds(-9000, 9000), seconds(-9000, 9000), (endS, fromS, toS) => {
        const found = within({ fromS, toS }, endS);
        if (found === null) {
          expect(toS - fromS).toBeGreaterThanOrEqual(endS);
          return;
        }
        expect(found.fromS).toBeGreaterThanOrEqual(0);
        expect(found.toS).toBeLessThanOrEqual(endS * (1 + 1e-12));
        expect(found.toS - found.fromS).toBeCloseTo(Math.max(CLOSEST_S, toS - fromS), 6);
      }),
    );
  });

  it('the place under the pointer stays where it is, however much closer or further one goes', () => {
    fc.assert(
      fc.property(seen, seconds(0, 1), seconds(0.2, 5), ({ stretch }, share, factor) => {
        const span = stretch.toS - stretch.fromS;
        fc.pre(span > 1e-3);
        const at = stretch.fromS + share * span;
        const now = zoomed(stretch, factor, at);
        expect((at - now.fromS) / (now.toS - now.fromS)).toBeCloseTo(share, 6);
        expect(now.toS - now.fromS).toBeCloseTo(span * factor, 6);
      }),
    );
  });

  it('a cursor that is not seen does not pull the view away: the middle stays', () => {
    expect(zoomed({ fromS: 10, toS: 20 }, 0.5, 3)).toEqual({ fromS: 12.5, toS: 17.5 });
  });

  it('closer and further by the same are where one was; so are onward and back', () => {
    fc.assert(
      fc.property(seen, ({ stretch }) => {
        const there = zoomed(zoomed(stretch, 1.4, stretch.fromS), 1 / 1.4, stretch.fromS);
        expect(there.toS).toBeCloseTo(stretch.toS, 6);
        expect(panned(panned(stretch, 1), -1).fromS).toBeCloseTo(stretch.fromS, 6);
      }),
    );
  });

  it('panned at the end it stays at the end, as wide as it was', () => {
    const end = within(panned({ fromS: 8, toS: 10 }, 1), 10);
    expect(end).toEqual({ fromS: 8, toS: 10 });
    expect(within(panned({ fromS: 0, toS: 2 }, -1), 10)).toEqual({ fromS: 0, toS: 2 });
  });
});

describe('how it is dressed', () => {
  const drawn = (role: Drawn['role']): Drawn => ({
    role,
    name: role,
    seconds: Float64Array.of(0, 0.5),
    values: Float32Array.of(12.5, 9),
  });

  it('amps have their own axis, everything else is volts; another recording beneath is dashed', () => {
    expect(dataset(drawn('amps'), THEME, false).yAxisID).toBe('amps');
    for (const role of ['volts', 'ground', 'field'] as const)
      expect(dataset(drawn(role), THEME, false).yAxisID).toBe('volts');
    expect(dataset(drawn('volts'), THEME, true)).toMatchObject({ borderDash: [3, 3] });
    expect(dataset(drawn('volts'), THEME, false)).not.toHaveProperty('borderDash');
  });

  it('another recording is moved so that both cranks begin together', () => {
    expect(points(drawn('volts'), 1.25)).toEqual([
      { x: 1.25, y: 12.5 },
      { x: 1.75, y: 9 },
    ]);
  });

  it('without a clamp there is no axis of amps; without their level the volts are ripple', () => {
    expect(axes(THEME, false, false).amps.display).toBe(false);
    expect(axes(THEME, false, true).amps.display).toBe(true);
    expect(axes(THEME, true, true).volts.title.text).toBe('Ripple, V');
  });

  const SEGMENTS = [
    { kind: 'rest', fromS: 0, toS: 4 },
    { kind: 'inrush', fromS: 4, toS: 4.1 },
    { kind: 'crank', fromS: 4.1, toS: 9 },
  ] as const;
  const boxes = () => segmentBoxes(THEME, { segments: SEGMENTS } as unknown as Capture);
  /** A chart of 500 px over this stretch. */
  const chartOf = (min: number, max: number) =>
    ({
      scales: { x: { min, max, getPixelForValue: (at: number) => ((at - min) / (max - min)) * 500 } },
    }) as unknown as Chart;
  const named = (chart: Chart) =>
    Object.values(boxes()).flatMap((box) => {
      const { display, content } = (
        box as unknown as { label: { display: (given: { chart: Chart }) => boolean; content: string } }
      ).label;
      return display({ chart }) ? [content] : [];
    });

  it('every segment is a box over its own time, behind the lines', () => {
    expect(
      Object.values(boxes()).map((box) => [(box as { xMin: number }).xMin, (box as { xMax: number }).xMax]),
    ).toEqual([
      [0, 4],
      [4, 4.1],
      [4.1, 9],
    ]);
    expect(Object.values(boxes()).every((box) => box.drawTime === 'beforeDatasetsDraw')).toBe(true);
  });

  it('a segment is named where its name fits into what is seen of it', () => {
    expect(named(chartOf(0, 9))).toEqual(['Rest', 'Crank']);
    expect(named(chartOf(3.99, 4.11))).toEqual(['Rest', 'Inrush', 'Crank']);
    expect(named(chartOf(4.02, 4.08))).toContain('Inrush');
    expect(named({ scales: {} } as unknown as Chart)).toEqual([]);
  });

  it('a cursor is told from the other by more than colour, and goes when it is cleared', () => {
    const marks = boxes();
    markCursors(marks, THEME, { a: 1, b: 2 });
    expect(marks['cursor-a']).toMatchObject({ xMin: 1, xMax: 1, borderDash: [] });
    expect(marks['cursor-b']).toMatchObject({ xMin: 2, borderDash: [4, 3] });
    markCursors(marks, THEME, { a: null, b: 2 });
    expect(Object.keys(marks)).toEqual(['segment-0', 'segment-1', 'segment-2', 'cursor-b']);
  });
});

/** How a waveform is dressed: its lines, its axes, the shaded segments with their names, the two cursors. */
import type { Chart, ChartDataset } from 'chart.js';
import type { AnnotationOptions } from 'chartjs-plugin-annotation';
import type { Capture, SegmentKind } from '@tetrad/core/capture-format';
import type { Drawn } from '../../captures/worker-messages';
import type { ChartTheme } from '../../kit/chart-theme';

export const SEGMENT_NAMES: Readonly<Record<SegmentKind, string>> = {
  rest: 'Rest',
  'key-on': 'Key on',
  inrush: 'Inrush',
  crank: 'Crank',
  recovery: 'Recovery',
  charging: 'Charging',
};
/** A name needs so much room a letter, px. */
const LETTER_PX = 7.5;

/** Two places in time; null for one that is not set. */
export interface Cursors {
  readonly a: number | null;
  readonly b: number | null;
}

/** The line of one channel, its points still to come. */
export function dataset({ role, name }: Drawn, theme: ChartTheme, isBeneath: boolean): ChartDataset<'line'> {
  const isAmps = role === 'amps';
  return {
    label: name,
    data: [],
    yAxisID: isAmps ? 'amps' : 'volts',
    borderColor: isAmps ? theme.amps : role === 'volts' ? theme.volts : theme.other,
    ...(isBeneath && { borderDash: [3, 3], borderWidth: 1 }),
  };
}

/** @param shiftS Added to the times, s. */
export const points = ({ seconds, values }: Drawn, shiftS: number): { x: number; y: number }[] =>
  Array.from(seconds, (x, at) => ({ x: x + shiftS, y: values[at]! }));

/** Time beneath, volts on the left, amps on the right where there are any. */
export function axes(theme: ChartTheme, coupled: boolean, hasAmps: boolean) {
  const font = { family: theme.mono, size: 12 };
  const axis = (text: string, color: string, maxTicksLimit = 8) => ({
    type: 'linear' as const,
    title: { display: true, text, color, font },
    ticks: { color, font, maxTicksLimit, includeBounds: false, maxRotation: 0 },
    grace: '4%',
  });
  return {
    x: { ...axis('s', theme.soft, 10), grid: { color: theme.line } },
    volts: {
      ...axis(coupled ? 'Ripple, V' : 'V', theme.volts),
      position: 'left' as const,
      grid: { color: theme.line },
    },
    amps: { ...axis('A', theme.amps), position: 'right' as const, display: hasAmps, grid: { display: false } },
  };
}

/** Every segment as a box behind the lines, named where its name fits into what is seen of it. */
export function segmentBoxes(theme: ChartTheme, { segments }: Capture): Record<string, AnnotationOptions> {
  const boxes = segments.map(({ kind, fromS, toS }, at): [string, AnnotationOptions] => {
    const fits = ({ chart: { scales } }: { readonly chart: Chart }): boolean => {
      const x = scales['x'];
      if (!x) return false;
      const px = x.getPixelForValue(Math.min(x.max, toS)) - x.getPixelForValue(Math.max(x.min, fromS));
      return px > SEGMENT_NAMES[kind].length * LETTER_PX;
    };
    return [
      `segment-${at}`,
      {
        type: 'box',
        xMin: fromS,
        xMax: toS,
        backgroundColor: at % 2 === 0 ? theme.band : 'transparent',
        borderWidth: 0,
        drawTime: 'beforeDatasetsDraw',
        label: {
          display: fits,
          content: SEGMENT_NAMES[kind],
          position: { x: 'center', y: 'start' },
          color: theme.soft,
          font: { family: theme.sans, size: 12, weight: 'normal' },
          padding: 4,
        },
      },
    ];
  });
  return Object.fromEntries(boxes);
}

/** Sets the cursors' lines among the other marks, and takes away those that are not set. */
export function markCursors(marks: Record<string, AnnotationOptions>, theme: ChartTheme, cursors: Cursors): void {
  for (const name of ['a', 'b'] as const) {
    const at = cursors[name];
    if (at === null) delete marks[`cursor-${name}`];
    else
      marks[`cursor-${name}`] = {
        type: 'line',
        xMin: at,
        xMax: at,
        borderColor: theme.cursor,
        borderWidth: 1.5,
        borderDash: name === 'a' ? [] : [4, 3],
        label: {
          display: true,
          content: name.toUpperCase(),
          position: 'end',
          backgroundColor: theme.cursor,
          color: theme.band,
          padding: 3,
          font: { family: theme.sans, size: 11 },
        },
      };
  }
}

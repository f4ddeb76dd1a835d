import type { CaptureView } from '@tetrad/contracts';
import { captureOutline } from '@tetrad/core';
import type { OutlinePoint } from '@tetrad/core';
import { INK, MARGIN_PT, WIDE_PT, heading, keepTogether, paragraph, style } from '../paper/page';
import type { Paper } from '../paper/page';

const PICTURE_PT = 96;
/** Room for the names of the segments. */
const NAMES_PT = 12;
/** A segment narrower than this is not named. */
const NAMED_FROM_PT = 40;
const SHADE = '#f2f0e9';

/** A recorded start: its outline with the segments, and what was found in it. */
export function drawCapture(paper: Paper, { name, found }: CaptureView): void {
  if (!found?.outline) return;
  keepTogether(paper, PICTURE_PT + 40);
  heading(paper, `Recorded: ${name}`);
  const top = paper.y;
  const { segments, volts, amps } = captureOutline(found);
  segments.forEach(({ kind, x, width }, at) => {
    const [left, wide] = [MARGIN_PT + x * WIDE_PT, width * WIDE_PT];
    if (at % 2 === 0) paper.rect(left, top, wide, PICTURE_PT).fill(SHADE);
    if (wide > NAMED_FROM_PT)
      style(paper, { size: 7.5, ink: INK.soft }).text(kind.replace('-', ' '), left, top + 1, {
        width: wide,
        align: 'center',
        height: 10,
      });
  });
  fill(paper, amps, top, INK.copper);
  fill(paper, volts, top, INK.plain);
  paper.rect(MARGIN_PT, top, WIDE_PT, PICTURE_PT).lineWidth(0.6).strokeColor(INK.line).stroke();
  paper.x = MARGIN_PT;
  paper.y = top + PICTURE_PT + 4;
  paragraph(
    paper,
    'Volts at the posts dark, amps out of the battery in copper, each over its own range.',
    { size: 8.5, ink: INK.soft },
    2,
  );
  for (const { because } of found.findings) paragraph(paper, because, { size: 9 }, 2);
}

function fill(paper: Paper, points: readonly OutlinePoint[], top: number, ink: string): void {
  const [first, ...others] = points;
  if (!first) return;
  const x = (point: OutlinePoint): number => MARGIN_PT + point.x * WIDE_PT;
  const y = (point: OutlinePoint): number => top + NAMES_PT + point.y * (PICTURE_PT - NAMES_PT - 4);
  paper.moveTo(x(first), y(first));
  for (const point of others) paper.lineTo(x(point), y(point));
  paper.closePath().lineWidth(0.5).fillAndStroke(ink, ink);
}

import { joinedLevels } from '@tetrad/core';
import type { FigureFormat, Profile } from '@tetrad/core';
import { GRADE_INK, INK, style } from '../paper/page';
import type { Paper } from '../paper/page';

/** Half the length of a level as a share of the width, as on the screen. */
const REACH = 62 / 600;
const BAND_REACH = REACH + 18 / 600;
const AXIS_PT = 24;

/** Where it is drawn, pt, and how its figures are written. */
interface ProfilePlace extends Pick<FigureFormat, 'plain'> {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Draws a four-note profile as vectors, in the place given. */
export function drawProfile(paper: Paper, profile: Profile, { x, y, width, height, plain }: ProfilePlace): void {
  const left = x + AXIS_PT;
  const wide = width - AXIS_PT;
  const high = height - 16;
  const toX = (share: number): number => left + share * wide;
  const toY = (share: number): number => y + share * high;
  paper.save().lineWidth(0.5).strokeColor(INK.line);
  for (const tick of profile.ticks) {
    paper
      .moveTo(left, toY(tick.y))
      .lineTo(left + wide, toY(tick.y))
      .stroke();
    style(paper, { size: 7, ink: INK.soft }).text(String(tick.volts), x, toY(tick.y) - 4.5, {
      width: AXIS_PT - 6,
      align: 'right',
      features: ['tnum'],
    });
  }
  for (const { band, x: at } of profile.notes)
    if (band)
      paper
        .rect(toX(at - BAND_REACH), toY(band.top), 2 * BAND_REACH * wide, (band.bottom - band.top) * high)
        .fill(INK.band);
  const { ripple } = profile;
  if (ripple)
    paper
      .fillColor(INK.copper, 0.35)
      .rect(toX(ripple.x - REACH), toY(ripple.y - ripple.half), 2 * REACH * wide, 2 * ripple.half * high)
      .fill()
      .fillOpacity(1);
  for (const line of joinedLevels(profile.notes)) {
    const points = line.flatMap(({ x: at, y: level }) => [
      [toX(at - REACH), toY(level)] as const,
      [toX(at + REACH), toY(level)] as const,
    ]);
    points.forEach(([px, py], index) => (index === 0 ? paper.moveTo(px, py) : paper.lineTo(px, py)));
    paper.lineWidth(1.8).strokeColor(INK.copper).stroke();
  }
  for (const { name, volts, grade, x: at, y: level } of profile.notes) {
    const place: PDFKit.Mixins.TextOptions = { width: wide / 3, align: 'center', features: ['tnum'] };
    style(paper, { size: 8, ink: INK.soft }).text(name, toX(at) - wide / 6, y + high + 4, place);
    if (volts !== null && level !== null)
      style(paper, { font: 'strong', size: 11, ink: GRADE_INK[grade ?? 'noted'] }).text(
        plain(volts, 2),
        toX(at) - wide / 6,
        level < 0.3 ? toY(level) + 4 : toY(level) - 16,
        place,
      );
  }
  paper.restore();
}

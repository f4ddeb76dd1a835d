import { figureFormat, voltStair } from '@tetrad/core';
import type { FigureChoice, Settled } from '@tetrad/core';
import { GRADE_INK, INK, MARGIN_PT, WIDE_PT, gradeMark, heading, keepTogether, paragraph, style } from '../paper/page';
import type { Paper } from '../paper/page';

const RULER_PT = 18;
const STAIR_PT = 62;
const LABEL_PT = 30;

/** The reading that settled it: its figure, where it stands against its limit, and the path with the place marked. */
export function drawSettled(paper: Paper, settled: Settled, figures: FigureChoice): void {
  keepTogether(paper, 60 + (settled.path.length > 0 ? STAIR_PT + LABEL_PT : 0));
  heading(paper, 'Deciding reading');
  gradeMark(paper, settled.grade, MARGIN_PT, paper.y + 3);
  style(paper, { font: 'strong', size: 12, ink: GRADE_INK[settled.grade] }).text(
    `${settled.test}: ${settled.value}`,
    MARGIN_PT + 14,
    paper.y,
    { width: WIDE_PT - 14, features: ['tnum'] },
  );
  if (settled.limit) paragraph(paper, `Allowed is ${settled.limit}.`, { ink: INK.soft }, 4);
  if (settled.ruler) drawRuler(paper, settled);
  if (settled.path.length > 0) drawStair(paper, settled, figures);
}

function drawRuler(paper: Paper, { ruler, grade }: Settled): void {
  if (!ruler) return;
  const x = (share: number): number => MARGIN_PT + share * WIDE_PT;
  const top = paper.y;
  const base = top + RULER_PT - 4;
  paper.rect(x(ruler.from), base - 8, (ruler.to - ruler.from) * WIDE_PT, 8).fill(INK.band);
  paper.moveTo(x(0), base).lineTo(x(1), base).lineWidth(0.6).strokeColor(INK.line).stroke();
  for (const edge of ruler.edges)
    paper
      .moveTo(x(edge), top)
      .lineTo(x(edge), base + 4)
      .lineWidth(1)
      .strokeColor(INK.soft)
      .stroke();
  paper
    .moveTo(x(ruler.value), top)
    .lineTo(x(ruler.value), base + 4)
    .lineWidth(2.6)
    .strokeColor(GRADE_INK[grade])
    .stroke();
  paper.y = base + 12;
}

function drawStair(paper: Paper, { path, pathFrom }: Settled, figures: FigureChoice): void {
  const { volts: say, smallVolts } = figureFormat(figures);
  const { volts, width, steps } = voltStair(path);
  const top = paper.y;
  const x = (share: number): number => MARGIN_PT + share * WIDE_PT;
  const y = (share: number): number => top + share * STAIR_PT;
  for (const step of steps)
    if (step.isDeepest)
      paper
        .fillColor(GRADE_INK.outside, 0.15)
        .rect(x(step.x), y(step.from), step.width * WIDE_PT, y(step.to) - y(step.from))
        .fill()
        .fillOpacity(1);
  paper.moveTo(x(0), y(steps[0]?.from ?? 0));
  for (const step of steps)
    paper
      .lineTo(x(step.x), y(step.from))
      .lineTo(x(step.x), y(step.to))
      .lineTo(x(step.x + step.width), y(step.to));
  paper.lineWidth(1.8).strokeColor(INK.copper).stroke();
  const label = (share: number, name: string, figure: string, isDeepest: boolean): void => {
    const place = { width: width * WIDE_PT - 4, features: ['tnum'] as PDFKit.Mixins.OpenTypeFeatures[] };
    style(paper, { size: 7.5, ink: INK.soft }).text(name, x(share), top + STAIR_PT + 2, { ...place, height: 10 });
    const ink = isDeepest ? GRADE_INK.outside : INK.plain;
    style(paper, { font: 'strong', size: 9.5, ink }).text(figure, x(share), top + STAIR_PT + 13, place);
  };
  label(0, pathFrom, say(volts), false);
  for (const { piece, x: at, isDeepest } of steps)
    label(at, piece.piece, piece.kind === 'left' ? say(piece.volts) : `−${smallVolts(piece.volts)}`, isDeepest);
  paper.y = top + STAIR_PT + LABEL_PT;
}

import type { Grade } from '@tetrad/core';
import { INK, MARGIN_PT, WIDE_PT, gradeMark, keepTogether, style } from './page';
import type { Paper } from './page';

export interface Column {
  readonly head: string;
  /** Share of the width. */
  readonly share: number;
}
export interface Cell {
  readonly text: string;
  readonly grade?: Grade | null;
  readonly strong?: boolean;
  readonly soft?: boolean;
}

const PAD_PT = 3;
const MARK_PT = 11;
const SIZE = 9;

/** A table over the whole width; rows break to the next page whole, the head is repeated there. */
export function drawTable(paper: Paper, columns: readonly Column[], rows: readonly (readonly Cell[])[]): void {
  const widths = columns.map(({ share }) => share * WIDE_PT);
  const lefts = widths.map((_, index) => MARGIN_PT + widths.slice(0, index).reduce((sum, width) => sum + width, 0));
  const head = (): void => {
    if (columns.every((column) => column.head === '')) return;
    row(columns.map((column) => ({ text: column.head, soft: true })));
  };
  const heightOf = (cells: readonly Cell[]): number =>
    Math.max(
      ...cells.map(({ text, grade, strong }, index) =>
        style(paper, { font: strong ? 'strong' : 'plain', size: SIZE }).heightOfString(text || ' ', {
          width: widths[index]! - 6 - (grade ? MARK_PT : 0),
          features: ['tnum'],
        }),
      ),
    );
  const row = (cells: readonly Cell[]): void => {
    const height = heightOf(cells) + 2 * PAD_PT;
    const top = paper.y;
    cells.forEach(({ text, grade, strong, soft }, index) => {
      const x = lefts[index]!;
      if (grade) gradeMark(paper, grade, x, top + PAD_PT + 2.5);
      style(paper, { font: strong ? 'strong' : 'plain', size: SIZE, ink: soft ? INK.soft : INK.plain }).text(
        text,
        x + (grade ? MARK_PT : 0),
        top + PAD_PT,
        { width: widths[index]! - 6 - (grade ? MARK_PT : 0), features: ['tnum'] },
      );
    });
    paper.y = top + height;
    paper
      .moveTo(MARGIN_PT, paper.y)
      .lineTo(MARGIN_PT + WIDE_PT, paper.y)
      .lineWidth(0.5)
      .strokeColor(INK.line)
      .stroke();
  };
  head();
  for (const cells of rows) {
    const page = paper.page;
    keepTogether(paper, heightOf(cells) + 2 * PAD_PT);
    if (paper.page !== page) head();
    row(cells);
  }
}

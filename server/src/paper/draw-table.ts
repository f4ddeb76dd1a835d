import type { Grade } from '@tetrad/core';
import { INK, MARGIN_PT, WIDE_PT, gradeMark, keepTogether, style } from './page';
import type { Paper } from './page';

export interface Column {
  readonly head: string;
  /** Share of the width. */
  readonly share: number;
  /** Figures stand below one another: set in the face's tabular figures, which costs four times a text. */
  readonly isFigures?: boolean;
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
  const howOf = ({ grade }: Cell, index: number): PDFKit.Mixins.TextOptions => ({
    width: widths[index]! - 6 - (grade ? MARK_PT : 0),
    ...(columns[index]!.isFigures && { features: ['tnum'] }),
  });
  const heightOf = (cells: readonly Cell[]): number =>
    2 * PAD_PT +
    Math.max(
      ...cells.map((cell, index) =>
        style(paper, { font: cell.strong ? 'strong' : 'plain', size: SIZE }).heightOfString(
          cell.text || ' ',
          howOf(cell, index),
        ),
      ),
    );
  const row = (cells: readonly Cell[], height = heightOf(cells)): void => {
    const top = paper.y;
    cells.forEach((cell, index) => {
      const { text, grade, strong, soft } = cell;
      const x = lefts[index]!;
      if (grade) gradeMark(paper, grade, x, top + PAD_PT + 2.5);
      style(paper, { font: strong ? 'strong' : 'plain', size: SIZE, ink: soft ? INK.soft : INK.plain }).text(
        text,
        x + (grade ? MARK_PT : 0),
        top + PAD_PT,
        howOf(cell, index),
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
    const height = heightOf(cells);
    keepTogether(paper, height);
    if (paper.page !== page) head();
    row(cells, height);
  }
}

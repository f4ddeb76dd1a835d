/** The paper of a report: its measures and inks, and text set on it. */
import { join } from 'node:path';
import type { Grade } from '@tetrad/core';
import { FONTS } from './fonts';
import type { FontName } from './fonts';

export const MARGIN_PT = 48;
export const WIDE_PT = 595.28 - 2 * MARGIN_PT;
const FOOT_PT = 40;

export const INK = { plain: '#1d2226', soft: '#565d62', line: '#c9c6bc', copper: '#a34a1f', band: '#d9e9e6' } as const;
export const GRADE_INK: Readonly<Record<Grade, string>> = {
  within: '#0b6e69',
  near: '#8a5a00',
  outside: '#b3311a',
  void: '#6a6f73',
  noted: '#6a6f73',
};

export type Paper = PDFKit.PDFDocument;
export interface TextStyle {
  readonly font?: FontName;
  readonly size?: number;
  readonly ink?: string;
}

/**
 * A new document of A4 pages. Its package is loaded with the first: a server starts more often than it prints.
 *
 * @param fontsFolder Holds the fonts' package.
 */
export async function newPaper(fontsFolder: string, title: string): Promise<Paper> {
  const { default: PDFDocument } = await import('pdfkit');
  const paper = new PDFDocument({
    size: 'A4',
    margin: MARGIN_PT,
    bufferPages: true,
    lang: 'en',
    info: { Title: title, Creator: 'Tetrad' },
  });
  for (const [name, file] of Object.entries(FONTS)) paper.registerFont(name, join(fontsFolder, file));
  return paper;
}

export function style(paper: Paper, { font = 'plain', size = 10, ink = INK.plain }: TextStyle): Paper {
  return paper.font(font).fontSize(size).fillColor(ink);
}

/** Text over the whole width, below what was set last. */
export function paragraph(paper: Paper, text: string, look: TextStyle = {}, gapPt = 4): void {
  style(paper, look).text(text, MARGIN_PT, paper.y, { width: WIDE_PT, features: ['tnum'] });
  paper.y += gapPt;
}

export function heading(paper: Paper, text: string): void {
  keepTogether(paper, 60);
  paper.y += 10;
  paragraph(paper, text, { font: 'strong', size: 9.5, ink: INK.soft }, 3);
}

/** Begins a new page where less than this is left. */
export function keepTogether(paper: Paper, heightPt: number): void {
  if (paper.y + heightPt > paper.page.height - MARGIN_PT - FOOT_PT) paper.addPage();
}

/** The shape of a grade, as on the screens: filled dot, half dot, open square, struck slash, line. */
export function gradeMark(paper: Paper, grade: Grade, x: number, y: number, size = 7): void {
  const half = size / 2;
  paper.save().lineWidth(1).strokeColor(GRADE_INK[grade]).fillColor(GRADE_INK[grade]);
  switch (grade) {
    case 'within':
      paper.circle(x + half, y + half, half).fill();
      break;
    case 'near':
      paper.circle(x + half, y + half, half).stroke();
      paper.path(`M${x + half} ${y}A${half} ${half} 0 0 0 ${x + half} ${y + size}Z`).fill();
      break;
    case 'outside':
      paper.rect(x, y, size, size).stroke();
      break;
    case 'void':
      paper.circle(x + half, y + half, half).stroke();
      paper
        .moveTo(x, y + size)
        .lineTo(x + size, y)
        .stroke();
      break;
    case 'noted':
      paper
        .moveTo(x, y + half)
        .lineTo(x + size, y + half)
        .stroke();
      break;
    default:
      throw new Error(`unknown grade ${JSON.stringify(grade satisfies never)}`);
  }
  paper.restore();
}

/** The line under a head. */
export function rule(paper: Paper): void {
  paper
    .moveTo(MARGIN_PT, paper.y)
    .lineTo(MARGIN_PT + WIDE_PT, paper.y)
    .lineWidth(1.2)
    .strokeColor(INK.plain)
    .stroke();
  paper.y += 10;
}

/** The foot of every page. @param name What the paper is about. */
export function pageNumbers(paper: Paper, name: string): void {
  const { start, count } = paper.bufferedPageRange();
  for (let index = 0; index < count; index++) {
    paper.switchToPage(start + index);
    paper.page.margins.bottom = 0; // or the foot would begin a page of its own
    style(paper, { size: 8, ink: INK.soft }).text(
      `${name}  ·  page ${index + 1} of ${count}`,
      MARGIN_PT,
      paper.page.height - 36,
      { width: WIDE_PT, align: 'right', lineBreak: false },
    );
  }
}

/** The report as PDF: the customer's page, then the technician's, with embedded fonts and vectors. */
import { importNote, reportOf } from '@tetrad/contracts';
import type { CaptureView, JobView } from '@tetrad/contracts';
import { figureFormat } from '@tetrad/core';
import type { FigureChoice, ReportDocument } from '@tetrad/core';
import { drawCapture } from './draw-capture';
import { drawProfile } from './draw-profile';
import { drawSettled } from './draw-settled';
import { drawTable } from '../paper/draw-table';
import {
  INK,
  MARGIN_PT,
  WIDE_PT,
  heading,
  keepTogether,
  newPaper,
  pageNumbers,
  paragraph,
  rule,
  style,
} from '../paper/page';
import type { Paper } from '../paper/page';

const PROFILE_PT = 132;
const TONE_INK = { act: '#b3311a', open: '#8a5a00', good: '#0b6e69' } as const;
const GRADE_WORDS = { within: 'Within', near: 'Borderline', outside: 'Outside', void: 'Void', noted: 'Noted' } as const;

/** A day and time for paper, in the server's own zone. */
const shownTime = (iso: string): string =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short' }).format(new Date(iso));

/** Readings that paper holds; the earlier ones of more are in the exported case. */
const MAX_READINGS = 400;

export interface PdfOptions {
  /** The shop's name. */
  readonly shop: string;
  readonly fontsFolder: string;
  readonly figures: FigureChoice;
  readonly captures?: readonly CaptureView[];
}

/** @returns the paper as a stream of bytes. */
export async function pdfReport(
  job: JobView,
  { shop, fontsFolder, figures, captures = [] }: PdfOptions,
): Promise<NodeJS.ReadableStream> {
  const report = reportOf(job, undefined, figures);
  const paper = await newPaper(fontsFolder, `${job.vehicle.name}: battery, starter, alternator`);
  head(paper, job, shop);
  customerPage(paper, report, importNote(job, shownTime));
  paper.addPage();
  head(paper, job, shop);
  technicianPage(paper, report);
  for (const capture of captures) drawCapture(paper, capture);
  pageNumbers(paper, job.vehicle.name);
  paper.end();
  return paper;
}

function head(paper: Paper, job: JobView, shop: string): void {
  paragraph(paper, job.vehicle.name, { font: 'strong', size: 20 }, 0);
  const { plate, vin, year } = job.vehicle;
  const facts = [
    plate,
    vin && `VIN ${vin}`,
    year && String(year),
    shownTime(job.openedAt),
    job.assignee && `Technician ${job.assignee}`,
    shop,
  ];
  paragraph(paper, facts.filter(Boolean).join('  ·  '), { size: 10, ink: INK.soft }, 6);
  rule(paper);
}

function customerPage(paper: Paper, report: ReportDocument, notes: readonly string[]): void {
  const { headline, signOff } = report;
  for (const note of notes) paragraph(paper, note, { ink: INK.soft }, 4);
  paragraph(paper, `Battery: ${report.battery}.`, { ink: INK.soft }, 2);
  if (report.complaint) paragraph(paper, `You told us: ${report.complaint}.`, { ink: INK.soft }, 6);
  paragraph(paper, headline.words, { font: 'strong', size: 18, ink: TONE_INK[headline.tone] }, 2);
  paragraph(paper, report.plain, { size: 12 }, 8);
  if (report.settled) drawSettled(paper, report.settled, report.figures);
  if (report.place) {
    heading(paper, 'Where');
    paragraph(paper, report.place);
  }
  if (report.ruledOut.length > 0) {
    heading(paper, 'Other causes ruled out');
    for (const line of report.ruledOut) paragraph(paper, line, { size: 10 }, 2);
  }
  profiles(paper, report);
  if (report.comparison.length > 0) {
    heading(paper, 'Before and after the repair');
    drawTable(
      paper,
      [
        { head: 'Test', share: 0.3 },
        { head: 'Before', share: 0.22, isFigures: true },
        { head: 'After', share: 0.22, isFigures: true },
        { head: 'Limit', share: 0.26, isFigures: true },
      ],
      report.comparison.map(({ test, before, gradeBefore, after, grade, limit }) => [
        { text: test },
        { text: before, grade: gradeBefore },
        { text: after, grade, strong: true },
        { text: limit, soft: true },
      ]),
    );
  }
  if (signOff) {
    heading(paper, 'What was done');
    paragraph(
      paper,
      signOff.partsFitted.length > 0 ? `Fitted: ${signOff.partsFitted.join(', ')}.` : 'No part was fitted.',
    );
    if (signOff.solved !== null)
      paragraph(
        paper,
        signOff.solved ? 'Tried afterwards: the complaint is gone.' : 'Tried afterwards: the complaint is not gone.',
      );
    paragraph(paper, `Signed off by ${signOff.by}, ${shownTime(signOff.at)}.`, { ink: INK.soft });
  }
  if (report.notTested.length > 0) {
    heading(paper, 'Not tested');
    paragraph(paper, `Not measured: ${report.notTested.join(', ')}.`);
  }
  heading(paper, 'Cautions');
  for (const caution of report.cautions) paragraph(paper, caution, { size: 9, ink: INK.soft }, 2);
}

/** One profile, or before beside after. */
function profiles(paper: Paper, { before, after, figures }: ReportDocument): void {
  const { plain } = figureFormat(figures);
  keepTogether(paper, PROFILE_PT + 24);
  const top = paper.y + (after ? 14 : 4);
  const half = (WIDE_PT - 16) / 2;
  const place = { y: top, height: PROFILE_PT };
  if (after) {
    style(paper, { font: 'strong', size: 9.5, ink: INK.soft }).text('Before', MARGIN_PT, top - 14);
    style(paper, { font: 'strong', size: 9.5, ink: INK.soft }).text('After', MARGIN_PT + half + 16, top - 14);
    drawProfile(paper, before, { x: MARGIN_PT, width: half, ...place, plain });
    drawProfile(paper, after, { x: MARGIN_PT + half + 16, width: half, ...place, plain });
  } else drawProfile(paper, before, { x: MARGIN_PT, width: WIDE_PT, ...place, plain });
  paper.y = top + PROFILE_PT + 6;
}

function technicianPage(paper: Paper, report: ReportDocument): void {
  const { decision, headline, signOff } = report;
  paragraph(paper, `The judge: ${decision.words}`, { font: 'strong', size: 13, ink: TONE_INK[headline.tone] }, 1);
  paragraph(paper, decision.because);
  if (signOff?.differs)
    paragraph(paper, `Decided otherwise: ${signOff.words}. Reason: ${signOff.differs.reason}`, { font: 'strong' });
  if (signOff?.comment) paragraph(paper, `Comment: ${signOff.comment}`);
  if (report.replacedBefore) paragraph(paper, `Replaced before: ${report.replacedBefore}.`, { ink: INK.soft });
  heading(paper, 'Part by part');
  drawTable(
    paper,
    [
      { head: '', share: 0.16 },
      { head: '', share: 0.18 },
      { head: '', share: 0.66 },
    ],
    report.parts.map(({ part, words, because }) => [
      { text: part },
      { text: words, strong: true },
      { text: because, soft: true },
    ]),
  );
  heading(paper, `Readings, judged by ${report.criteria}`);
  const left = report.readings.length - MAX_READINGS;
  if (left > 0) paragraph(paper, `The newest ${MAX_READINGS}; ${left} earlier ones are in the exported case.`);
  if (report.readings.length === 0) paragraph(paper, 'Nothing has been read yet.', { ink: INK.soft });
  else
    drawTable(
      paper,
      [
        { head: 'Test', share: 0.25 },
        { head: 'Read', share: 0.13, isFigures: true },
        { head: 'Grade', share: 0.12 },
        { head: 'Limit', share: 0.26, isFigures: true },
        { head: 'How', share: 0.24 },
      ],
      report.readings
        .slice(-MAX_READINGS)
        .map(({ test, value, grade, limit, how, isAfter }) => [
          { text: isAfter ? `${test}, after` : test },
          { text: value, strong: true },
          { text: GRADE_WORDS[grade], grade },
          { text: limit },
          { text: how, soft: true },
        ]),
    );
  if (report.observations.length > 0) {
    heading(paper, 'Seen');
    paragraph(paper, report.observations.map(({ about, finding }) => `${about}: ${finding}`).join('  ·  '));
  }
}

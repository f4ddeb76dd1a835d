/** The round sheet on paper: every vehicle by urgency, its four notes, what changed, comments. */
import { sheetWords } from '@tetrad/contracts';
import type { SheetRow, Urgency } from '@tetrad/contracts';
import { figureFormat } from '@tetrad/core';
import type { FigureChoice, Grade } from '@tetrad/core';
import { drawTable } from '../paper/draw-table';
import { INK, newPaper, pageNumbers, paragraph, rule } from '../paper/page';
import type { HeavyTask } from '../platform/workers/heavy-work';
import { buffer } from 'node:stream/consumers';

export interface SheetPaper {
  readonly shop: string;
  /** Group and interval, in words. */
  readonly title: string;
  readonly interval: string;
  /** When it was made, as it is told. */
  readonly madeOn: string;
  /** The most urgent; how many there are of each urgency in all. */
  readonly rows: readonly SheetRow[];
  readonly counts: Readonly<Record<Urgency, number>>;
  readonly fontsFolder: string;
  readonly figures: FigureChoice;
}

const MARKS: Readonly<Record<Urgency, Grade>> = { act: 'outside', doubtful: 'near', due: 'noted', sound: 'within' };
const COLUMNS = [
  { head: 'Vehicle', share: 0.22 },
  { head: '', share: 0.09 },
  { head: 'Result', share: 0.23 },
  { head: 'Resting, cranking, charging, ripple', share: 0.22, isFigures: true },
  { head: 'Changed since the visit before', share: 0.24 },
];

/** @returns the paper as a stream of bytes. */
export async function drawSheet({
  shop,
  title,
  interval,
  madeOn,
  rows,
  counts,
  fontsFolder,
  figures,
}: SheetPaper): Promise<NodeJS.ReadableStream> {
  const format = figureFormat(figures);
  const paper = await newPaper(fontsFolder, `${title}: round sheet`);
  paragraph(paper, title, { font: 'strong', size: 20 }, 0);
  paragraph(paper, ['Round sheet', interval, madeOn, shop].join('  ·  '), { ink: INK.soft }, 6);
  rule(paper);
  const all = counts.act + counts.doubtful + counts.due + counts.sound;
  const sums = `${all} vehicles: ${counts.act} to act on, ${counts.doubtful} open, ${counts.due} due, ${counts.sound} sound.`;
  paragraph(paper, sums, { size: 12 }, 8);
  if (rows.length < all) paragraph(paper, `Below: the ${rows.length} most urgent.`, { ink: INK.soft }, 4);
  drawTable(
    paper,
    COLUMNS,
    rows.map((row) => {
      const words = sheetWords(row, format);
      const when = [words.checked && `checked ${words.checked}`, words.due && `due ${words.due}`].filter(Boolean);
      return [
        { text: [words.vehicle, words.plate].filter(Boolean).join('\n'), strong: row.urgency === 'act' },
        { text: words.urgency, grade: MARKS[row.urgency] },
        { text: [words.says, when.join(', '), words.comment && `“${words.comment}”`].filter(Boolean).join('\n') },
        { text: Object.values(words.notes).filter(Boolean).join(', ') },
        { text: words.changed, soft: words.changed === 'No change' },
      ];
    }),
  );
  pageNumbers(paper, title);
  paper.end();
  return paper;
}

/** A round sheet as PDF. */
export const SHEET: HeavyTask<SheetPaper, Uint8Array> = {
  name: 'sheet',
  lane: 'rest',
  work: async (paper) => buffer(await drawSheet(paper)),
};

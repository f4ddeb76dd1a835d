import { buffer } from 'node:stream/consumers';
import type { JobView } from '@tetrad/contracts';
import type { HeavyTask } from '../platform/workers/heavy-work';
import { pdfReport } from './pdf-report';
import type { PdfOptions } from './pdf-report';

interface PdfTask {
  readonly job: JobView;
  readonly options: PdfOptions;
}

/** The report of a job as PDF. */
export const PDF: HeavyTask<PdfTask, Uint8Array> = {
  name: 'pdf',
  lane: 'rest',
  work: async ({ job, options }) => buffer(await pdfReport(job, options)),
};

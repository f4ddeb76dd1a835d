/** A thread for heavy tasks: each under the name that it is asked by. */
import 'reflect-metadata';
import 'pdfkit'; // at hand before a report asks for it
import { REJUDGE } from './criteria/rejudge';
import { JUDGE } from './judgements/judge-task';
import { PDF } from './reports/pdf-task';
import { CALENDAR } from './rounds/calendar';
import { SHEET } from './rounds/draw-sheet';

export const judge = JUDGE.work;
export const rejudge = REJUDGE.work;
export const pdf = PDF.work;
export const calendar = CALENDAR.work;
export const sheet = SHEET.work;

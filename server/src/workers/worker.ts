/** A thread for heavy tasks. */
import 'reflect-metadata';
import 'pdfkit'; // at hand before a report asks for it
export { calendar, judge, pdf, rejudge, sheet } from './tasks';

/** A thread for heavy tasks. */
import 'reflect-metadata';
export { judge, pdf, rejudge, sheet } from './tasks';

/** A thread for heavy tasks. */
import 'reflect-metadata';
export { judge, pdf, sheet } from './tasks';

/** A thread for heavy tasks. */
import 'reflect-metadata';
export { judge, pdf } from './tasks';

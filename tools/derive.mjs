/**
 * `npm run derive`: writes what follows from the trade's files: the indexes of their folders, the JSON Schema
 * files of the open formats, and the tables of the documentation. A test checks that all of it is up to date.
 */
import { deriveIndexes } from './setup/derive-indexes.mjs';
import { buildCli } from './setup/build.mjs';

await deriveIndexes();
await buildCli();
await import('../dist/cli/derive.mjs');

/** `npm run schemas`: writes the JSON Schema files of the open formats from the core's shapes. */
import { buildCli } from './setup/build.mjs';

await buildCli();
await import('../dist/cli/schemas.mjs');

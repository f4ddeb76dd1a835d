/** Writes the JSON Schema files in docs/schemas from the shapes that the core checks by. */
import { mkdir, writeFile } from 'node:fs/promises';
import { caseShape, judgementSchema } from '@tetrad/core';

const FOLDER = 'docs/schemas';
await mkdir(FOLDER, { recursive: true });
for (const [name, schema] of [
  ['tetrad-case-1.schema.json', caseShape.schema],
  ['tetrad-judgement-1.schema.json', judgementSchema],
] as const)
  await writeFile(`${FOLDER}/${name}`, `${JSON.stringify(schema, null, 2)}\n`);

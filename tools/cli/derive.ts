/** Writes every file that follows from core and contracts. */
import { mkdir, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';
import { derivedFiles } from './derived-files';
import { openApiText } from './openapi/document';

const files = { ...derivedFiles(), 'docs/openapi.json': openApiText() };

for (const [path, text] of Object.entries(files)) {
  await mkdir(dirname(path), { recursive: true });
  await writeFile(path, text);
}

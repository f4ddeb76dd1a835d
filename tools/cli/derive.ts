/** Writes every file that follows from the core. */
import { mkdir, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';
import { derivedFiles } from './derived-files';

for (const [path, text] of Object.entries(derivedFiles())) {
  await mkdir(dirname(path), { recursive: true });
  await writeFile(path, text);
}

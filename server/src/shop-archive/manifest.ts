/** What an archive of a shop says of itself: `tetrad-shop/1`, described in docs/shop-format.md. */
import type { ShopId } from '@tetrad/contracts';
import { brokenJson } from '@tetrad/core';
import { ArchiveError } from './archive-error';

export const SHOP_FORMAT = 'tetrad-shop/1';
export const MANIFEST = 'manifest.json';

export interface FileSum {
  readonly bytes: number;
  readonly sha256: string;
}

export interface Manifest {
  readonly format: typeof SHOP_FORMAT;
  readonly shop: ShopId;
  /** Rows of each table, in the order in which they go in. */
  readonly tables: Readonly<Record<string, number>>;
  readonly files: Readonly<Record<string, FileSum>>;
}

export const tableFile = (table: string): string => `tables/${table}.jsonl`;
export const captureFile = (id: string): string => `captures/${id}`;

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isCount = (value: unknown): value is number => Number.isSafeInteger(value) && (value as number) >= 0;
const isSum = (value: unknown): value is FileSum =>
  isRecord(value) && isCount(value['bytes']) && /^[0-9a-f]{64}$/.test(String(value['sha256']));

/** @throws ArchiveError that names the field, what was found and what is allowed. */
export function readManifest(text: string): Manifest {
  let found: unknown;
  try {
    found = JSON.parse(text);
  } catch {
    throw new ArchiveError(`${MANIFEST} is no JSON: ${brokenJson(text)}`);
  }
  const wrong = (field: string, value: unknown, allowed: string): ArchiveError =>
    new ArchiveError(`${MANIFEST}: ${field} is ${JSON.stringify(value) ?? 'missing'}; allowed is ${allowed}`);
  if (!isRecord(found)) throw wrong('the document', found, 'an object');
  const { format, shop, tables, files } = found;
  if (format !== SHOP_FORMAT) throw wrong('format', format, SHOP_FORMAT);
  if (typeof shop !== 'string') throw wrong('shop', shop, 'the short name of a shop');
  if (!isRecord(tables)) throw wrong('tables', tables, 'the rows of each table');
  for (const [name, rows] of Object.entries(tables)) if (!isCount(rows)) throw wrong(`tables.${name}`, rows, 'a count');
  if (!isRecord(files)) throw wrong('files', files, 'bytes and sha256 of each file');
  for (const [name, sum] of Object.entries(files))
    if (!isSum(sum)) throw wrong(`files.${name}`, sum, 'bytes and sha256');
  return found as unknown as Manifest;
}

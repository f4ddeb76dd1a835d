/** A judgement as what changed since the one before, and back: a reading changes a few hundred bytes of many thousand. */
import { createHash } from 'node:crypto';
import { deflateRawSync, inflateRawSync } from 'node:zlib';
import type { Judgement, Profile } from '@tetrad/core';
import { create } from 'jsondiffpatch';
import type { Delta } from 'jsondiffpatch';
import { ordered } from '../platform/canonical';
import { sharing } from './sharing';

/** What was said at a time. */
export interface Said {
  readonly document: Judgement;
  readonly profile: Profile;
}

export interface Packed {
  readonly packed: Buffer;
  /** Whether it is told as a change of the one before. */
  readonly isChange: boolean;
  readonly digest: Buffer;
}

/** Lists of more entries are not compared entry by entry: that takes the square of them. */
const MAX_COMPARED = 400;

interface Entry {
  readonly id?: unknown;
  readonly fault?: unknown;
  readonly reading?: unknown;
  readonly symptom?: unknown;
  readonly test?: unknown;
  readonly piece?: unknown;
}
const differ = create({
  // what an entry of a list is about, so that one that moves is told as moved
  objectHash: (entry: object, at?: number) => {
    const { id, fault, reading, symptom, test, piece } = entry as Entry;
    return String(id ?? fault ?? reading ?? symptom ?? test ?? piece ?? `#${at}`);
  },
  arrays: { detectMove: true, includeValueOnMove: false },
});

/** What was said with its text, made once for all that stores it. */
export interface Written {
  /** As it is after a way through JSON. */
  readonly said: Said;
  /** JSON of the document and of the profile, their fields in order of their names. */
  readonly document: string;
  readonly profile: string;
  /** SHA-256 of both, the same whatever the order in which the fields came. */
  readonly digest: Buffer;
}

const textOf = ({ document, profile }: Pick<Written, 'document' | 'profile'>): string =>
  `{"document":${document},"profile":${profile}}`;

export function written({ document, profile }: Said): Written {
  const said = { document: ordered(document), profile: ordered(profile) };
  const texts = { document: JSON.stringify(said.document), profile: JSON.stringify(said.profile) };
  return { said, ...texts, digest: createHash('sha256').update(textOf(texts)).digest() };
}

/** @param before The judgement it follows, as it was stored; null where there is none, or it is to be whole. */
export function packed(before: Said | null, now: Written): Packed {
  const { said, digest } = now;
  const isLong = said.document.readings.length > MAX_COMPARED;
  if (before === null || isLong) return { packed: deflateRawSync(textOf(now)), isChange: false, digest };
  const change = JSON.stringify(differ.diff(before, sharing(said, before)) ?? null);
  return { packed: deflateRawSync(change), isChange: true, digest };
}

/** @throws Error where what is put together is not what was said. */
export function unpacked(before: Said | null, { packed: bytes, isChange, digest }: Packed): Said {
  const content: unknown = JSON.parse(inflateRawSync(bytes).toString());
  const said = isChange
    ? content === null
      ? before!
      : (differ.patch(structuredClone(before!), content as Delta) as Said)
    : (content as Said);
  if (!written(said).digest.equals(digest)) throw new Error('a stored judgement does not add up to what was said');
  return said;
}

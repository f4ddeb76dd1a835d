/** A judgement as what changed since the one before, and back: a reading changes a few hundred bytes of many thousand. */
import { createHash } from 'node:crypto';
import { deflateRawSync, inflateRawSync } from 'node:zlib';
import type { Judgement, Profile } from '@tetrad/core';
import { create } from 'jsondiffpatch';
import type { Delta } from 'jsondiffpatch';
import { canonical } from './canonical';

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
const MOST_COMPARED = 400;

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

/** SHA-256 of what was said, whatever the order of its fields. */
export const digestOf = (said: Said): Buffer => createHash('sha256').update(canonical(said)).digest();

/** As it is after a way through JSON: what is undefined is absent. */
export const plain = (said: Said): Said => JSON.parse(JSON.stringify(said)) as Said;
const pack = (value: unknown): Buffer => deflateRawSync(JSON.stringify(value));

/**
 * @param before The judgement it follows, plain; null where there is none, or it is to be whole.
 * @param now Plain too.
 */
export function packed(before: Said | null, now: Said, digest = digestOf(now)): Packed {
  const isLong = now.document.readings.length > MOST_COMPARED;
  if (before === null || isLong) return { packed: pack(now), isChange: false, digest };
  return { packed: pack(differ.diff(before, now) ?? null), isChange: true, digest };
}

/** @throws Error where what is put together is not what was said. */
export function unpacked(before: Said | null, { packed: bytes, isChange, digest }: Packed): Said {
  const content: unknown = JSON.parse(inflateRawSync(bytes).toString());
  const said = isChange
    ? content === null
      ? before!
      : (differ.patch(plain(before!), content as Delta) as Said)
    : (content as Said);
  if (!digestOf(said).equals(digest)) throw new Error('a stored judgement does not add up to what was said');
  return said;
}

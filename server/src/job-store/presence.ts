/** Who else is at a job: every stream that follows it stands for a device, and tells its own of the others. */
import { randomUUID } from 'node:crypto';
import type { Pool } from '../platform/database/pool';
import { inShop } from '../platform/database/working-shop';
import type { EventStream } from '../platform/live/event-stream';
import type { JobNewsSource } from './job-news';
import { addPresence, listOthers, removePresence } from './presence.sql';
import type { Present } from './presence.sql';

/** A device says so often that it is still there, ms. */
const BEAT_MS = 15_000;

/**
 * Adds a device to those at a job for as long as its stream is open, and tells it of the others, now and at every change.
 * Without the database nobody is told of anybody: it never fails the stream.
 *
 * @param tell Sends the list to the stream.
 */
export function bePresent(
  pool: Pool,
  feed: JobNewsSource,
  stream: EventStream,
  device: Omit<Present, 'stream'>,
  tell: (others: string) => void,
): void {
  const present: Present = { ...device, stream: randomUUID() };
  let told = '';
  // one after another: what takes it off comes after what has put it there
  let last: Promise<void> = Promise.resolve();
  const quietly = (work: () => Promise<void>): void =>
    void (last = last.then(() => inShop(present.shop, work)).catch(() => undefined));
  let isGone = false;
  const look = async (): Promise<void> => {
    const others = JSON.stringify(await listOthers(pool, present));
    if (others === told) return;
    told = others;
    tell(others);
  };
  const stay = async (): Promise<void> => {
    if (isGone) return;
    await addPresence(pool, present);
    await look();
  };
  const beat = setInterval(() => quietly(stay), BEAT_MS);
  const deafen = feed.listen((news) => {
    if (news?.isPresence && news.shop === present.shop && news.job === present.job) quietly(look);
  });
  stream.onClose(() => {
    isGone = true;
    clearInterval(beat);
    deafen();
    quietly(() => removePresence(pool, present));
  });
  quietly(stay);
}

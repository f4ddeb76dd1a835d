/** Memory that all streams and all reports together may hold. */
import { BoundedWork } from '../src/platform/workers/bounded-work';
import type { EventStream } from '../src/platform/live/event-stream';
import { OpenStreams } from '../src/platform/live/open-streams';

const MB = 1 << 20;

/** A stream to a device that reads so much of what is sent, 0 to 1. */
function streamTo(reads: number) {
  const state = { unread: 0, isCut: false, closing: [] as (() => void)[] };
  const stream: EventStream = {
    get unread() {
      return state.unread;
    },
    send: (_event, data) => void (state.unread += data.length * (1 - reads)),
    onClose: (work) => void state.closing.push(work),
    end: () => state.closing.forEach((work) => work()),
    cut() {
      state.isCut = true;
      state.closing.forEach((work) => work());
    },
  };
  return { stream, state };
}

describe('streams', () => {
  it('that nobody reads hold a bounded amount together; those that are read are told on', () => {
    const streams = new OpenStreams();
    const deaf = Array.from({ length: 150 }, () => streamTo(0));
    const reading = Array.from({ length: 10 }, () => streamTo(1));
    for (const { stream } of [...deaf, ...reading]) streams.add(stream);
    const job = Buffer.alloc(MB);
    for (let change = 0; change < 3; change++)
      for (const { stream, state } of [...deaf, ...reading]) if (!state.isCut) streams.send(stream, 'job', job);
    const held = deaf.filter(({ state }) => !state.isCut).reduce((sum, { state }) => sum + state.unread, 0);
    expect(held).toBeLessThanOrEqual(33 * MB);
    expect(reading.every(({ state }) => !state.isCut)).toBe(true);
    expect(streams.size).toBe(10 + deaf.filter(({ state }) => !state.isCut).length);
  });

  it('one that is behind by more than it may be is cut when it is to be told more', () => {
    const streams = new OpenStreams();
    const { stream, state } = streamTo(0);
    streams.add(stream);
    streams.send(stream, 'job', Buffer.alloc(3 * MB));
    expect(state.isCut).toBe(false);
    streams.send(stream, 'job', Buffer.alloc(1));
    expect([state.isCut, streams.size]).toEqual([true, 0]);
  });
});

describe('heavy requests', () => {
  it('are done a few at a time, wait in a queue that holds nothing, and are refused beyond its end', async () => {
    const work = new BoundedWork(2, 3);
    let running = 0;
    let most = 0;
    const release: (() => void)[] = [];
    const one = () =>
      work.do(async () => {
        most = Math.max(most, ++running);
        await new Promise<void>((resolve) => release.push(resolve));
        running--;
        return 'done';
      });
    const all = Array.from({ length: 7 }, one);
    const settled = Promise.allSettled(all);
    for (let i = 0; i < 5; i++) {
      while (release.length === 0) await new Promise(setImmediate);
      release.shift()!();
    }
    const results = await settled;
    expect(most).toBe(2);
    expect(results.filter(({ status }) => status === 'fulfilled')).toHaveLength(5);
    for (const result of results)
      if (result.status === 'rejected') expect(result.reason).toMatchObject({ problem: { status: 503 } });
  });

  it('wait for so long at most', async () => {
    const work = new BoundedWork(1, 5, 20);
    let finish = (): void => undefined;
    const first = work.do(() => new Promise<void>((resolve) => (finish = resolve)));
    await expect(work.do(() => Promise.resolve(1))).rejects.toMatchObject({ problem: { status: 503 } });
    finish();
    await first;
    await expect(work.do(() => Promise.resolve(2))).resolves.toBe(2);
  });

  it('one that fails makes room for the next', async () => {
    const work = new BoundedWork(1, 1);
    await expect(work.do(() => Promise.reject(new Error('broken')))).rejects.toThrow('broken');
    await expect(work.do(() => Promise.resolve(1))).resolves.toBe(1);
  });
});

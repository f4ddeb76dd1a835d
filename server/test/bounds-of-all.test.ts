/** Memory that all streams and all reports together may hold. */
import { FairQueue } from '../src/platform/workers/fair-queue';
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
    const work = new FairQueue({ atOnce: 2, maxWaiting: 3 });
    let running = 0;
    let most = 0;
    const release: (() => void)[] = [];
    const one = () =>
      work.do('one', async () => {
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
    const work = new FairQueue({ atOnce: 1, maxWaiting: 5, longestWaitMs: 20 });
    let finish = (): void => undefined;
    const first = work.do('one', () => new Promise<void>((resolve) => (finish = resolve)));
    await expect(work.do('one', () => Promise.resolve(1))).rejects.toMatchObject({ problem: { status: 503 } });
    finish();
    await first;
    await expect(work.do('one', () => Promise.resolve(2))).resolves.toBe(2);
  });

  it('one that fails makes room for the next', async () => {
    const work = new FairQueue({ atOnce: 1, maxWaiting: 1 });
    await expect(work.do('one', () => Promise.reject(new Error('broken')))).rejects.toThrow('broken');
    await expect(work.do('one', () => Promise.resolve(1))).resolves.toBe(1);
  });

  it('takes turns by shop: many of one hold up another by one of them', async () => {
    const work = new FairQueue({ atOnce: 1, maxWaiting: 50 });
    const done: string[] = [];
    const one = (shop: string, at: number) =>
      work.do(shop, async () => {
        await new Promise(setImmediate);
        done.push(`${shop} ${at}`);
      });
    await Promise.all([...[1, 2, 3, 4].map((at) => one('busy', at)), one('other', 1), one('other', 2)]);
    expect(done).toEqual(['busy 1', 'busy 2', 'other 1', 'busy 3', 'other 2', 'busy 4']);
  });

  it('one shop has a share of the places, at work and waiting', async () => {
    const work = new FairQueue({ atOnce: 2, atOnceOfOne: 1, maxWaiting: 10, maxWaitingOfOne: 1 });
    let running = 0;
    let most = 0;
    const one = (shop: string) =>
      work.do(shop, async () => {
        most = Math.max(most, ++running);
        await new Promise(setImmediate);
        running--;
      });
    const own = await Promise.allSettled([one('a'), one('a'), one('a')]);
    expect([most, own.map(({ status }) => status)]).toEqual([1, ['fulfilled', 'fulfilled', 'rejected']]);
    await Promise.all([one('a'), one('b')]);
    expect(most).toBe(2);
  });

  it('whoever has gone waits no longer', async () => {
    const work = new FairQueue({ atOnce: 1, maxWaiting: 5 });
    const gone = new AbortController();
    let finish = (): void => undefined;
    const first = work.do('one', () => new Promise<void>((resolve) => (finish = resolve)));
    const second = work.do('one', () => Promise.resolve('done'), gone.signal);
    gone.abort(new Error('gone'));
    await expect(second).rejects.toThrow('gone');
    finish();
    await first;
    await expect(work.do('one', () => Promise.resolve('next'))).resolves.toBe('next');
  });
});

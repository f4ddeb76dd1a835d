/** A count-down's window, and a load that times itself by its own current. */
import fc from 'fast-check';
import { LoadTiming, ReadWindow } from '@tetrad/core';
import type { LoadTimed } from '@tetrad/core';

describe('the window of a count-down', () => {
  it('keeps the mean of what was sustained, and the extremes of all of it', () => {
    const window = new ReadWindow();
    for (const volts of [12.6, 8.1, 9.2]) window.add(volts, false); // the dip at first
    for (const volts of [9.8, 9.9, 9.7, 9.8]) window.add(volts, true);
    expect(window.figures).toEqual({ sustained: expect.closeTo(9.8, 6), lowest: 8.1, highest: 12.6, count: 4 });
  });
  it('tells nothing of a display that changed twice', () => {
    const window = new ReadWindow();
    for (const volts of [9.8, 9.9]) window.add(volts, true);
    expect(window.figures).toBeNull();
  });
  it('never tells a mean outside its extremes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.float({ min: 0, max: 30, noNaN: true }), fc.boolean()), { minLength: 3 }),
        (all) => {
          const window = new ReadWindow();
          for (const [value, isSustained] of all) window.add(value, isSustained);
          const { figures } = window;
          fc.pre(figures !== null);
          expect(figures!.sustained).toBeGreaterThanOrEqual(figures!.lowest - 1e-9);
          expect(figures!.sustained).toBeLessThanOrEqual(figures!.highest + 1e-9);
        },
      ),
    );
  });
});

describe('a load test', () => {
  /** Twenty looks a second at a load of 300 A that is held for so long, the volts sinking from 11 to 10. */
  function timed(heldS: number, { amps = 300, isSigned = false } = {}): (LoadTimed | null)[] {
    const timing = new LoadTiming(300);
    return Array.from({ length: (heldS + 2) * 20 }, (_, at) => {
      const seconds = at / 20 - 1;
      const isOn = seconds >= 0 && seconds <= heldS;
      const volts = isOn ? 11 - seconds / heldS : 12.6;
      return timing.add({ volts, amps: isOn ? (isSigned ? -amps : amps) : 0.4, atMs: at * 50 });
    });
  }

  it('is as long as its current flows, and its volts are those at the end, under load', () => {
    const all = timed(15);
    expect(all[0]).toBeNull();
    expect(all.at(-1)).toEqual({
      isOn: false,
      seconds: expect.closeTo(15, 1),
      volts: expect.closeTo(10, 1),
      amps: expect.closeTo(300, 1),
    });
  });
  it('is the same with the clamp’s arrow the other way round', () => {
    expect(timed(15, { isSigned: true }).at(-1)).toEqual(timed(15).at(-1));
  });
  it('counts while it is held', () => {
    const half = timed(15)[9 * 20]!;
    expect([half.isOn, Math.round(half.seconds)]).toEqual([true, 8]);
  });
  it('is none at all where the current is far under what was asked for', () => {
    expect(timed(15, { amps: 60 }).every((one) => one === null)).toBe(true);
  });
});

/** Two cursors on a recording, and the channels it is made of. */
import { TestBed } from '@angular/core/testing';
import type { Capture, CaptureReading } from '@tetrad/core/capture-format';
import type { Measured } from '../src/app/captures/worker-messages';
import { ChannelMap } from '../src/app/screens/captures/channel-map';
import { CursorStrip } from '../src/app/screens/captures/cursor-strip';
import { button, pick, standingBed, text, typeInto } from './bench-fixtures';

const CAPTURE = {
  channels: [
    { name: 'A', column: 1, quantity: 'volts', role: 'volts', scale: 1, origin: 'recognised' },
    { name: 'B', column: 2, quantity: 'amps', role: 'amps', scale: 100, origin: 'told' },
    { name: 'C', column: 3, quantity: 'volts', scale: 1 },
  ],
} as unknown as Capture;
const BETWEEN: Measured = {
  seconds: 0.5,
  volts: { first: 12.6, last: 10.4, mean: 10.62, low: 9.8, high: 12.6 },
  amps: { first: 0, last: 180, mean: 171.5, low: 0, high: 420 },
  ohm: 0.0122,
};

describe('two cursors', () => {
  beforeEach(standingBed);

  async function strip(measured: Measured, a: number | null = 1, b: number | null = 1.5) {
    const asked: (readonly [number, number])[] = [];
    const taken: CaptureReading[] = [];
    const fixture = TestBed.createComponent(CursorStrip);
    const measure = async (fromS: number, toS: number): Promise<Measured> => {
      asked.push([fromS, toS]);
      return measured;
    };
    fixture.componentRef.setInput('open', { measure });
    fixture.componentRef.setInput('capture', CAPTURE);
    fixture.componentRef.setInput('cursors', { a, b });
    fixture.componentInstance.taken.subscribe((reading) => taken.push(reading));
    await fixture.whenStable();
    fixture.detectChanges();
    await fixture.whenStable();
    return { fixture, asked, taken, said: () => text(fixture) };
  }
  const takeAs = async (fixture: Awaited<ReturnType<typeof strip>>['fixture'], name: string): Promise<void> => {
    await pick(fixture, 'Use as', name);
    button(fixture, 'Use').click();
    await fixture.whenStable();
  };

  it('tell what lies between them: time, mean, difference, rate and slope', async () => {
    const { said, asked } = await strip(BETWEEN);
    expect(asked).toEqual([[1, 1.5]]);
    expect(said()).toContain('0.500 s');
    expect(said()).toContain('10.62 V · 172 A');
    expect(said()).toContain('-2.20 V · 180 A');
    expect(said()).toContain('-4.40 V/s');
    expect(said()).toContain('12.2 mΩ');
  });

  it('one of them alone measures nothing and says how to set the other', async () => {
    const { said, asked } = await strip(BETWEEN, 1, null);
    expect(asked).toEqual([]);
    expect(said()).toContain('Click sets a cursor');
  });

  it('at the same moment there is no rate', async () => {
    const { said } = await strip({ ...BETWEEN, seconds: 0, ohm: null });
    expect(said()).not.toContain('V/s');
    expect(said()).not.toContain('Slope');
  });

  it('a cranking voltage taken there knows its method, its seconds and how far it may be off', async () => {
    const { fixture, taken } = await strip(BETWEEN, 1.5, 1);
    await takeAs(fixture, 'Cranking voltage');
    expect(taken).toEqual([
      expect.objectContaining({
        test: 'cranking-voltage',
        value: 10.62,
        uncertainty: 0.053,
        fromS: 1,
        toS: 1.5,
        conditions: { method: 'scope', seconds: 0.5 },
      }),
    ]);
  });

  it('amps are taken from the clamp; what flows into the battery has the other sign', async () => {
    const { fixture, taken } = await strip(BETWEEN);
    await takeAs(fixture, 'Starter draw');
    await takeAs(fixture, 'Battery current, net');
    expect(taken.map(({ test, value }) => [test, value])).toEqual([
      ['starter-draw', 171.5],
      ['battery-current', -171.5],
    ]);
  });

  it('without a clamp no current is offered', async () => {
    const { fixture } = await strip({ ...BETWEEN, amps: null });
    await expect(pick(fixture, 'Use as', 'Starter draw')).rejects.toThrow('no option “Starter draw”');
  });
});

describe('the channels of a recording', () => {
  beforeEach(standingBed);

  async function map(asksScale = false) {
    const changes: unknown[] = [];
    const fixture = TestBed.createComponent(ChannelMap);
    fixture.componentRef.setInput('capture', CAPTURE);
    fixture.componentRef.setInput('asksScale', asksScale);
    fixture.componentInstance.changed.subscribe((change) => changes.push(change));
    await fixture.whenStable();
    const fold = (fixture.nativeElement as HTMLElement).querySelector<HTMLElement>('tt-fold button, tt-fold summary');
    fold?.click();
    await fixture.whenStable();
    return { fixture, changes, said: () => text(fixture) };
  }

  it('are shown as they were understood, with where the scale comes from', async () => {
    const { said } = await map();
    expect(said()).toContain('A (column 1)');
    expect(said()).toContain('× 100, as told');
    expect(said()).toContain('× 1, recognised');
  });

  it('no two have one role: what had it is free', async () => {
    const { fixture, changes } = await map();
    await pick(fixture, 'C (column 3)', 'Volts at the posts');
    expect(changes).toEqual([{ roles: { 1: 'unused', 2: 'amps', 3: 'volts' } }]);
  });

  it('a clamp of 10 mV per A gives 100 A for each volt', async () => {
    const { fixture, changes } = await map();
    await pick(fixture, 'Clamp’s scale', '10 mV per A');
    expect(changes).toEqual([{ ampsPerVolt: 100 }]);
  });

  it.each([
    ['0', '', 'Found “0”'],
    ['twenty', '', 'Found “twenty”'],
    ['20', '-5', 'Found “-5”'],
  ])('a full scale of “%s” volts and “%s” amps is refused by name', async (volts, amps, says) => {
    const { fixture, changes, said } = await map(true);
    await typeInto(fixture, 'Full scale, volts', volts);
    await typeInto(fixture, 'Full scale of the second', amps);
    button(fixture, 'Read it').click();
    await fixture.whenStable();
    expect(said()).toContain(says);
    expect(changes).toEqual([]);
  });

  it('a full scale with a comma is one; without a clamp there are no amps', async () => {
    const { fixture, changes } = await map(true);
    await typeInto(fixture, 'Full scale, volts', '19,5');
    button(fixture, 'Read it').click();
    expect(changes).toEqual([{ wavScale: { volts: 19.5 } }]);
  });
});

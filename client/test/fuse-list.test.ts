/** Finding the circuit of a drain: fuse after fuse in one pass, the largest current on top. */
import type { Reading } from '@tetrad/core';
import { rest, standingBed, subject, view } from './bench-fixtures';
import { panel } from './step-page';

beforeEach(standingBed);

const drain = { id: 'p', test: 'parasitic-draw', value: 0.42, conditions: { minutesAsleep: 40 } } as Reading;
const fuse = (id: string, name: string, value: number, rating?: number): Reading =>
  ({ id, test: 'fuse-drop', value, conditions: { fuse: name, ...(rating && { fuseRating: rating }) } }) as Reading;

async function list(readings: readonly Reading[] = []) {
  const page = await panel('fuse-drop', view(subject([rest, drain, ...readings])));
  const inputs = () => [
    ...page.host.querySelectorAll<HTMLInputElement>('tt-fuse-list input[type=text], tt-fuse-list tt-field input'),
  ];
  const fill = async (...texts: readonly string[]) => {
    for (const [at, typed] of texts.entries()) {
      const box = inputs()[at]!;
      box.value = typed;
      box.dispatchEvent(new Event('input'));
    }
    await page.fixture.whenStable();
  };
  const rows = () =>
    [...page.host.querySelectorAll('tbody tr')].map((row) => row.textContent!.replace(/\s+/g, ' ').trim());
  return { ...page, inputs, fill, rows };
}

it('a bare figure is millivolts; the rating is asked of each fuse', async () => {
  const { fill, send, stored, inputs } = await list();
  await fill('F12', '15', '2.1');
  await send();
  expect(stored()).toMatchObject([{ test: 'fuse-drop', value: 0.0021, conditions: { fuse: 'F12', fuseRating: 15 } }]);
  expect(inputs().map(({ value }) => value)).toEqual(['', '', '']);
});

it('more than the whole drain through one fuse is asked back; a second Enter saves it', async () => {
  const { fill, send, stored, said } = await list();
  await fill('F7', '10', '20');
  await send();
  expect(stored()).toEqual([]);
  expect(said()).toContain('2.6 A through one fuse; the whole drain is 420 mA');
  await send();
  expect(stored()).toMatchObject([{ value: 0.02, conditions: { fuse: 'F7', fuseRating: 10 } }]);
});

it('what cannot be across a fuse is told in millivolts', async () => {
  const { fill, send, stored, said } = await list();
  await fill('F7', '10', '12152');
  await send();
  expect(stored()).toEqual([]);
  expect(said()).toMatch(/Found “12152”; allowed is .*mV/);
});

it('Enter with something missing goes to the field that is empty, and nothing is stored', async () => {
  const { fill, send, stored, inputs } = await list();
  await fill('F12', '', '2.1');
  await send();
  expect(document.activeElement).toBe(inputs()[1]);
  expect(stored()).toEqual([]);
});

it('a rating that is none is told at its field, and nothing is stored', async () => {
  const { fill, send, stored, said } = await list();
  await fill('F12', '0', '2.1');
  await send();
  expect(said()).toContain('Found “0”; allowed is');
  expect(stored()).toEqual([]);
});

it('the largest current stands on top, each fuse once by its newest reading', async () => {
  const { rows, said } = await list([
    fuse('a', 'F3', 0.0004, 10),
    fuse('b', 'F12', 0.0005, 15),
    fuse('c', 'F12', 0.0021, 15),
  ]);
  expect(rows()).toHaveLength(2);
  expect(rows()[0]).toMatch(/^F12 15 A.*2\.1 mV.*440 mA/);
  expect(rows()[1]).toMatch(/^F3 10 A/);
  expect(said()).toContain('Pull F12 and read the drain again');
});

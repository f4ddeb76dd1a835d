/** A recording in its worker: what is asked comes back to who asked, and what is closed is silent. */
import { captureWorker } from '../src/app/captures/capture-worker.factory';
import { OpenCapture } from '../src/app/captures/open-capture';
import type { FromWorker, ToWorker, Understanding } from '../src/app/captures/worker-messages';

jest.mock('../src/app/captures/capture-worker.factory', () => ({ captureWorker: jest.fn() }));
const AS: Understanding = { cylinders: 4, roles: {}, ampsPerVolt: null, wavScale: null };
let said: ToWorker[];
let hear: (message: FromWorker) => void;
let fail: (message: string) => void;
let ended: boolean;
beforeEach(() => {
  said = [];
  ended = false;
  const listeners: Record<string, (event: unknown) => void> = {};
  hear = (data) => listeners['message']!({ data });
  fail = (message) => listeners['error']!({ message });
  jest.mocked(captureWorker).mockReturnValue({
    addEventListener: (kind: string, listener: (event: unknown) => void) => (listeners[kind] = listener),
    postMessage: (message: ToWorker) => said.push(message),
    terminate: () => (ended = true),
  } as never);
});
const kinds = (): string[] => said.map(({ kind }) => kind);
const opened: FromWorker = { kind: 'opened', capture: {} as never };

it('is read from the file as it was understood, its share told on the way', () => {
  const open = new OpenCapture('/file', AS);
  expect(said).toEqual([{ kind: 'open', source: '/file', as: AS }]);
  hear({ kind: 'progress', share: 0.4 });
  expect(open.opening()).toEqual({ state: 'reading', share: 0.4 });
  hear(opened);
  expect(open.opening().state).toBe('open');
});

it('that is understood otherwise is taken apart anew, and read anew only where that is needed', () => {
  const open = new OpenCapture('/file', AS);
  hear(opened);
  open.understand({ ...AS, ampsPerVolt: 100 });
  open.understand({ ...AS, wavScale: { volts: 20 } });
  expect(kinds()).toEqual(['open', 'understand', 'open']);
  hear({ kind: 'failed', says: 'no', code: 'no-volts' });
  open.understand({ ...AS, wavScale: { volts: 20 }, roles: { 2: 'volts' } });
  expect(kinds().at(-1)).toBe('open');
});

it('answers whoever asked, in whatever order the answers come', async () => {
  const open = new OpenCapture('/file', AS);
  hear(opened);
  const first = open.view(0, 1, 100, false);
  const second = open.measure(0, 1);
  const [one, two] = said.slice(1) as { request: number }[];
  const measured = { seconds: 1 } as never;
  hear({ kind: 'measure', request: two!.request, measured });
  hear({ kind: 'view', request: one!.request, drawn: [{ role: 'volts' } as never] });
  expect(await second).toBe(measured);
  expect(await first).toHaveLength(1);
});

it('that cannot be read says why, and a worker that breaks is no silent one', () => {
  const open = new OpenCapture('/file', AS);
  hear({ kind: 'failed', says: 'Line 41 is no number', code: 'number' });
  expect(open.opening()).toEqual({ state: 'failed', says: 'Line 41 is no number', code: 'number' });
  fail('');
  expect(open.opening()).toMatchObject({ state: 'failed', code: 'fault', says: 'The recording could not be read.' });
});

it('that is closed ends its worker', () => {
  new OpenCapture('/file', AS).close();
  expect(ended).toBe(true);
});

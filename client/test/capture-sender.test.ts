/** A recorded file on its way to the server: in pieces, gone on with, never lost, and told when it is refused. */
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { CAPTURE_PIECE_BYTES } from '@tetrad/contracts';
import { CaptureKeeper } from '../src/app/captures/capture-keeper';
import type { KeptCapture } from '../src/app/captures/capture-keeper';
import { CaptureSender } from '../src/app/captures/capture-sender';

class MemoryKeeper {
  readonly kept = new Map<string, KeptCapture>();
  all = async () => [...this.kept.values()];
  keep = async (capture: KeptCapture) => void this.kept.set(capture.id, capture);
  drop = async (id: string) => void this.kept.delete(id);
}

const settled = async (): Promise<void> => {
  for (let i = 0; i < 12; i++) await Promise.resolve();
};

const capture = (bytes: number, found: KeptCapture['found'] = null): KeptCapture => ({
  id: 'c1',
  shop: 'yard',
  job: 'j1',
  name: 'start.csv',
  file: new Blob([new Uint8Array(bytes)]),
  found,
});

function setUp(kept: readonly KeptCapture[] = []) {
  const keeper = new MemoryKeeper();
  for (const one of kept) keeper.kept.set(one.id, one);
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), { provide: CaptureKeeper, useValue: keeper }],
  });
  return { keeper, sender: TestBed.inject(CaptureSender), http: TestBed.inject(HttpTestingController) };
}

const ANNOUNCED = '/api/shops/yard/jobs/j1/captures';
const piece = (number: number): string => `/api/shops/yard/captures/c1/pieces/${number}`;

describe('a recorded file', () => {
  it('is announced, sent piece by piece, told what was found in it, and only then given up on the device', async () => {
    const { keeper, sender, http } = setUp();
    const found = { format: 'tetrad-capture/1' } as KeptCapture['found'];
    await sender.take(capture(CAPTURE_PIECE_BYTES + 10, found));
    await settled();
    http.expectOne(ANNOUNCED).flush({ pieces: [] });
    await settled();
    const first = http.expectOne(piece(0));
    expect((first.request.body as Blob).size).toBe(CAPTURE_PIECE_BYTES);
    first.flush(null);
    await settled();
    expect(sender.sending()[0]!.share).toBeCloseTo(0.5);
    const last = http.expectOne(piece(1));
    expect((last.request.body as Blob).size).toBe(10);
    last.flush(null);
    await settled();
    expect(keeper.kept.size).toBe(1);
    http.expectOne('/api/shops/yard/captures/c1/found').flush({});
    await settled();
    expect(keeper.kept.size).toBe(0);
    expect([sender.sending(), sender.stored()]).toEqual([[], 1]);
  });

  it('kept from before goes on with the pieces that are missing', async () => {
    const { http } = setUp([capture(3 * CAPTURE_PIECE_BYTES)]);
    await settled();
    http.expectOne(ANNOUNCED).flush({ pieces: [0, 2] });
    await settled();
    http.expectOne(piece(1)).flush(null);
    await settled();
    http.verify();
  });

  it('that the server refuses is told in its words, and stays until a person gives it up', async () => {
    const { keeper, sender, http } = setUp();
    await sender.take(capture(10));
    await settled();
    http.expectOne(ANNOUNCED).flush({ detail: 'This shop keeps too much.' }, { status: 413, statusText: 'Too large' });
    await settled();
    expect(sender.sending()[0]!.refused).toBe('This shop keeps too much.');
    expect(keeper.kept.size).toBe(1);
    await sender.discard('c1');
    expect([sender.sending(), keeper.kept.size]).toEqual([[], 0]);
  });

  it('waits while the server is away: nothing is refused and nothing lost', async () => {
    jest.useFakeTimers();
    const { keeper, sender, http } = setUp();
    void sender.take(capture(10));
    await settled();
    http.expectOne(ANNOUNCED).error(new ProgressEvent('error'));
    await settled();
    expect(sender.sending()[0]!.refused).toBeNull();
    expect(keeper.kept.size).toBe(1);
    jest.advanceTimersByTime(2500);
    await settled();
    http.expectOne(ANNOUNCED).flush({ pieces: [0] });
    await settled();
    expect(keeper.kept.size).toBe(0);
    jest.useRealTimers();
  });
});

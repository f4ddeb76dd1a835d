/** A newer version of the page is offered, and never forced. */
import { TestBed } from '@angular/core/testing';
import { SwUpdate } from '@angular/service-worker';
import { Subject } from 'rxjs';
import { NewVersion } from '../src/app/shell/new-version';

const updates = (isEnabled: boolean) => ({
  isEnabled,
  versionUpdates: new Subject<{ type: string }>(),
  checkForUpdate: jest.fn(async () => false),
  activateUpdate: jest.fn(async () => true),
});

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

function opened(worker: ReturnType<typeof updates>): NewVersion {
  TestBed.configureTestingModule({ providers: [{ provide: SwUpdate, useValue: worker }] });
  return TestBed.inject(NewVersion);
}

it('is offered once it is there whole, and nothing is taken before somebody says so', () => {
  const worker = updates(true);
  const version = opened(worker);
  worker.versionUpdates.next({ type: 'VERSION_DETECTED' });
  expect(version.ready()).toBe(false);
  worker.versionUpdates.next({ type: 'VERSION_READY' });
  expect(version.ready()).toBe(true);
  jest.advanceTimersByTime(24 * 3_600_000);
  expect(worker.activateUpdate).not.toHaveBeenCalled();
});

it('is looked for after a minute and then now and then, and a server that is away does no harm', async () => {
  const worker = updates(true);
  worker.checkForUpdate.mockRejectedValue(new Error('away'));
  opened(worker);
  expect(worker.checkForUpdate).not.toHaveBeenCalled();
  await jest.advanceTimersByTimeAsync(61_000);
  expect(worker.checkForUpdate).toHaveBeenCalledTimes(1);
  await jest.advanceTimersByTimeAsync(3_600_000);
  expect(worker.checkForUpdate).toHaveBeenCalledTimes(3);
});

it('where the browser has no such worker nothing is looked for', () => {
  const worker = updates(false);
  const version = opened(worker);
  worker.versionUpdates.next({ type: 'VERSION_READY' });
  jest.advanceTimersByTime(3_600_000);
  expect([version.ready(), worker.checkForUpdate.mock.calls.length]).toEqual([false, 0]);
});

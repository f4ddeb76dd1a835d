/** The audit log as a person reads it: page by page, as a table to keep, and with a warning where no backup is recent. */
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { ActView, BackupsView } from '@tetrad/contracts';
import { of, throwError } from 'rxjs';
import * as saving from '../src/app/kit/save-file';
import { Toasts } from '../src/app/kit/toasts';
import { backupWords } from '../src/app/screens/people/backup-words';
import { AuditLog as ActRecord } from '../src/app/screens/people/audit-log';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';
import { fakeApi } from './fake-api';

jest.mock('../src/app/kit/save-file', () => ({ saveFile: jest.fn(), saveText: jest.fn() }));
const act = (seq: number, more: Partial<ActView> = {}): ActView => ({
  seq,
  at: '2026-03-02T09:14:00Z',
  person: 'Ilse, "the lead"',
  what: 'reading-added',
  about: `job ${seq}`,
  from: '127.0.0.1',
  hash: 'ab',
  ...more,
});
const NO_BACKUPS: BackupsView = { isScheduled: false, count: 0, newest: null };
const acts = jest.fn();
let fixture: ComponentFixture<ActRecord>;
const page = (): HTMLElement => fixture.nativeElement as HTMLElement;
const rows = (): string[] => [...page().querySelectorAll('tbody tr')].map(({ textContent }) => textContent!.trim());
const buttonOf = (words: string): HTMLButtonElement | undefined =>
  [...page().querySelectorAll('button')].find(({ textContent }) => textContent!.trim() === words);

async function open(): Promise<void> {
  TestBed.inject(Store).dispatch(SessionActions.known({ session: signedIn() }));
  fixture = TestBed.createComponent(ActRecord);
  await fixture.whenStable();
}
beforeEach(() => {
  acts.mockReset();
  TestBed.configureTestingModule({
    providers: [
      provideStore(),
      provideState(sessionFeature),
      fakeApi({ listAuditLog: acts, getBackups: () => of(NO_BACKUPS) }),
      { provide: Toasts, useValue: { say: jest.fn() } },
    ],
  });
});

it('is read on from its oldest entry in context, until the first', async () => {
  acts.mockReturnValueOnce(of([act(3), act(2)])).mockReturnValueOnce(of([act(1)]));
  await open();
  expect(rows()).toHaveLength(2);
  buttonOf('Older entries')!.click();
  await fixture.whenStable();
  expect(acts.mock.calls).toEqual([
    ['one', {}],
    ['one', { before: 2 }],
  ]);
  expect(rows()).toHaveLength(3);
  expect(buttonOf('Older entries')).toBeUndefined();
});

it('names what was done in words, and says where nobody was signed in', async () => {
  acts.mockReturnValue(of([act(2, { what: 'sign-in-failed', person: null })]));
  await open();
  expect(rows()[0]).toMatch(/nobody signed in.*sign in failed/s);
});

it('is kept as CSV with what a spreadsheet would take for something else', async () => {
  acts.mockReturnValue(of([act(1)]));
  await open();
  buttonOf('Export CSV')!.click();
  await new Promise((resolve) => setTimeout(resolve));
  const [name, type, text] = jest.mocked(saving.saveText).mock.calls[0]!;
  expect([name, type]).toEqual(['audit-log.csv', 'text/csv']);
  expect(text).toContain('"Ilse, ""the lead"""');
  expect(text.split('\r\n')[0]).toBe('seq,at,person,what,about,from,hash');
});

it('that is empty says so, and one that cannot be read says why', async () => {
  acts.mockReturnValue(of([]));
  await open();
  expect(page().textContent).toContain('Nothing has been done here yet.');
  expect(buttonOf('Export CSV')!.disabled).toBe(true);
  const detail = 'Ilse (technician) may not read the audit log.';
  acts.mockReturnValue(throwError(() => new HttpErrorResponse({ status: 403, error: { detail } })));
  await open();
  expect(page().textContent).toContain(detail);
});

describe('backups', () => {
  const HOUR_MS = 3_600_000;
  const told = (hoursAgo: number | null, isScheduled = true) =>
    backupWords({
      isScheduled,
      count: hoursAgo === null ? 0 : 3,
      newest:
        hoursAgo === null ? null : { at: new Date(Date.now() - hoursAgo * HOUR_MS).toISOString(), bytes: 6_240_000 },
    });

  it('of today are told with age and size, and nothing is due', () => {
    expect(told(5)).toMatchObject({ isDue: false, says: expect.stringMatching(/5 .*6\.2 MB/) });
  });
  it('older than a day and a half are due, as are none at all', () => {
    expect(told(37)!.isDue).toBe(true);
    expect(told(null)!.isDue).toBe(true);
    expect(told(null, false)!.isDue).toBe(true);
  });
});

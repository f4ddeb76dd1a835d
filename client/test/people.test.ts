/** The people of a shop: who may change them, what is shown once, and what a refusal leaves. */
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { OpenSessionView, PersonView, Role, SessionView } from '@tetrad/contracts';
import { of, throwError } from 'rxjs';
import { Toasts } from '../src/app/kit/toasts';
import { People } from '../src/app/screens/people/people';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';
import { fakeApi } from './fake-api';

const person = (name: string, role: Role, more: Partial<PersonView> = {}): PersonView => ({
  id: `id of ${name}`,
  name,
  role,
  active: true,
  hasPin: true,
  email: null,
  oneTimeUntil: null,
  ...more,
});
let people: PersonView[];
const api = {
  listPeople: jest.fn(() => of(people)),
  addPerson: jest.fn(),
  changePerson: jest.fn(),
  resetPassword: jest.fn(),
  endSessions: jest.fn(),
  listSessions: jest.fn(),
  endSession: jest.fn(),
  changeSettings: jest.fn(),
};
const say = jest.fn();
let fixture: ComponentFixture<People>;
const page = (): HTMLElement => fixture.nativeElement as HTMLElement;
const press = async (words: string, within: ParentNode = page()): Promise<void> => {
  [...within.querySelectorAll('button')].find(({ textContent }) => textContent?.trim() === words)!.click();
  await fixture.whenStable();
};
const rowOf = (name: string): HTMLElement =>
  [...page().querySelectorAll<HTMLElement>('tbody tr')].find(({ textContent }) => textContent?.includes(name))!;

async function open(session: SessionView): Promise<void> {
  TestBed.inject(Store).dispatch(SessionActions.known({ session }));
  fixture = TestBed.createComponent(People);
  await fixture.whenStable();
}

beforeEach(() => {
  jest.clearAllMocks();
  people = [
    person('Ada', 'administrator'),
    person('Bo', 'apprentice', { hasPin: false }),
    person('Cy', 'lead', { active: false }),
  ];
  TestBed.configureTestingModule({
    providers: [provideStore(), provideState(sessionFeature), fakeApi(api), { provide: Toasts, useValue: { say } }],
  });
});

it('a technician sees the own password and PIN, and no list', async () => {
  await open(signedIn('Ilse', 'technician'));
  expect(page().querySelector('tbody')).toBeNull();
  expect(page().textContent).toContain('Password and PIN of Ilse');
});

it('an administrator sees who has which role, who has no PIN and who has left', async () => {
  await open(signedIn('Ada', 'administrator'));
  expect(rowOf('Bo').textContent).toContain('none');
  expect(rowOf('Cy').textContent).toContain('has left');
  expect(rowOf('Cy').textContent).toContain('Reactivate');
});

it('a one-time password is shown until it is noted, and then nowhere', async () => {
  const opened = { ...people[1]!, oneTimePassword: 'abcd-efgh-jkmn-pqrs' };
  api.resetPassword.mockReturnValue(of(opened));
  await open(signedIn('Ada', 'administrator'));
  await press('One-time password', rowOf('Bo'));
  expect(page().textContent).toContain(opened.oneTimePassword);
  await press('I have noted it');
  expect(page().textContent).not.toContain(opened.oneTimePassword);
});

it('somebody new is added by name and role; a name without letters is not sent', async () => {
  api.addPerson.mockReturnValue(of({ ...person('Ida', 'technician'), oneTimePassword: 'x' }));
  await open(signedIn('Ada', 'administrator'));
  await press('Add');
  expect(api.addPerson).not.toHaveBeenCalled();
  const name = page().querySelector<HTMLInputElement>('form.add input')!;
  name.value = 'Ida';
  name.dispatchEvent(new Event('input'));
  await press('Add');
  expect(api.addPerson).toHaveBeenCalledWith('one', expect.objectContaining({ name: 'Ida', role: 'technician' }));
});

it('a refusal is told in the server’s words, and the list is read anew', async () => {
  const detail = 'role was leaving; allowed is administrator: nobody else here is one.';
  api.changePerson.mockReturnValue(throwError(() => new HttpErrorResponse({ status: 422, error: { detail } })));
  await open(signedIn('Ada', 'administrator'));
  const before = api.listPeople.mock.calls.length;
  await press('Deactivate', rowOf('Ada'));
  expect(page().textContent).toContain(detail);
  expect(api.listPeople.mock.calls.length).toBe(before + 1);
});

const session = (id: string, more: Partial<OpenSessionView> = {}): OpenSessionView => ({
  id,
  kind: 'device',
  begunAt: '2026-03-02T07:00:00.000Z',
  endsAt: '2026-03-02T19:00:00.000Z',
  address: '10.0.0.7',
  job: null,
  isThis: false,
  ...more,
});
/** Dialogs stand beside the page. */
const dialog = (): HTMLElement => document.querySelector<HTMLElement>('[role=dialog]')!;

it('the sessions of a person are ended one by one, this one apart, or all at once', async () => {
  let sessions = [session('this', { isThis: true }), session('phone', { kind: 'phone' }), session('tablet')];
  api.listSessions.mockImplementation(() => of(sessions));
  api.endSession.mockImplementation((_shop: string, _person: string, id: string) => {
    sessions = sessions.filter((one) => one.id !== id);
    return of(undefined);
  });
  await open(signedIn('Ada', 'administrator'));
  await press('Sessions', rowOf('Bo'));
  const rows = () => [...dialog().querySelectorAll('li')];
  expect(rows().map((row) => row.querySelector('button') !== null)).toEqual([false, true, true]);
  expect(rows()[1]!.textContent).toContain('Phone beside a job');
  expect(rows()[1]!.textContent).toContain('10.0.0.7');
  await press('End', rows()[1]);
  expect(api.endSession).toHaveBeenCalledWith('one', 'id of Bo', 'phone');
  expect(rows()).toHaveLength(2);
  api.endSessions.mockReturnValue(of({ ended: 2 }));
  await press('End all 2', dialog());
  expect(say).toHaveBeenLastCalledWith('2 sessions ended');
});

it('a one-time password says until when it opens, and that it is over', async () => {
  people = [
    person('Ada', 'administrator'),
    person('New', 'technician', { oneTimeUntil: '2999-01-01T10:00:00.000Z' }),
    person('Late', 'technician', { oneTimeUntil: '2020-01-01T10:00:00.000Z' }),
  ];
  await open(signedIn('Ada', 'administrator'));
  expect(rowOf('New').textContent).toContain('One-time password until 1 Jan');
  expect(rowOf('Late').textContent).toContain('One-time password has expired');
  expect(rowOf('Ada').textContent).not.toContain('One-time password until');
});

it('an administrator chooses that devices forget the jobs at sign-out', async () => {
  api.changeSettings.mockReturnValue(of({ forgetsAtSignOut: true }));
  await open(signedIn('Ada', 'administrator'));
  page().querySelector<HTMLInputElement>('tt-check input')!.click();
  await fixture.whenStable();
  expect(api.changeSettings).toHaveBeenCalledWith('one', { forgetsAtSignOut: true });
});

it('a password that was typed is shown by one key, and hidden again', async () => {
  await open(signedIn('Ilse', 'technician'));
  const field = page().querySelector('tt-password')!;
  const type = () => field.querySelector('input')!.type;
  const key = field.querySelector('button')!;
  expect([type(), key.getAttribute('aria-pressed')]).toEqual(['password', 'false']);
  key.click();
  await fixture.whenStable();
  expect([type(), key.getAttribute('aria-pressed')]).toEqual(['text', 'true']);
  key.click();
  await fixture.whenStable();
  expect(type()).toBe('password');
});

describe('e-mail addresses', () => {
  const field = (name: string): HTMLInputElement | null => rowOf(name).querySelector('input[type=email]');

  it('are asked for only where the shop has accounts of its own', async () => {
    await open(signedIn('Ada', 'administrator'));
    expect(field('Bo')).toBeNull();
    await open({ ...signedIn('Ada', 'administrator'), hasSingleSignOn: true });
    expect(field('Bo')!.getAttribute('aria-label')).toBe('E-mail of Bo');
  });

  it('are changed and taken away', async () => {
    api.changePerson.mockReturnValue(of(people[1]!));
    await open({ ...signedIn('Ada', 'administrator'), hasSingleSignOn: true });
    for (const [typed, words] of [
      [' bo@yard.example ', 'Bo: bo@yard.example'],
      ['', 'Bo: no address'],
    ] as const) {
      const input = field('Bo')!;
      input.value = typed;
      input.dispatchEvent(new Event('change'));
      await fixture.whenStable();
      expect(api.changePerson).toHaveBeenLastCalledWith('one', 'id of Bo', { email: typed.trim() });
      expect(say).toHaveBeenLastCalledWith(words);
    }
  });
});

/** The people of a shop: who may change them, what is shown once, and what a refusal leaves. */
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { PersonView, Role, SessionView } from '@tetrad/contracts';
import { of, throwError } from 'rxjs';
import { Toasts } from '../src/app/kit/toasts';
import { People } from '../src/app/screens/people/people';
import { Api } from '../src/app/state/api';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';

const person = (name: string, role: Role, more: Partial<PersonView> = {}): PersonView => ({
  id: `id of ${name}`,
  name,
  role,
  active: true,
  hasPin: true,
  email: null,
  ...more,
});
let people: PersonView[];
const api = {
  people: jest.fn(() => of(people)),
  addPerson: jest.fn(),
  changePerson: jest.fn(),
  newPassword: jest.fn(),
  endSessions: jest.fn(),
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
    providers: [
      provideStore(),
      provideState(sessionFeature),
      { provide: Api, useValue: api },
      { provide: Toasts, useValue: { say } },
    ],
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
  api.newPassword.mockReturnValue(of(opened));
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
  const before = api.people.mock.calls.length;
  await press('Deactivate', rowOf('Ada'));
  expect(page().textContent).toContain(detail);
  expect(api.people.mock.calls.length).toBe(before + 1);
});

it('how many sessions were ended is said in words', async () => {
  await open(signedIn('Ada', 'administrator'));
  for (const [ended, words] of [
    [1, 'One session ended'],
    [3, '3 sessions ended'],
  ] as const) {
    api.endSessions.mockReturnValue(of({ ended }));
    await press('End sessions', rowOf('Bo'));
    expect(say).toHaveBeenLastCalledWith(words);
  }
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

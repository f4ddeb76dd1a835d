/** Another person takes over a bench: only those with a PIN, by digits or keys, and nothing is left of a wrong one. */
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { PersonView, SessionView } from '@tetrad/contracts';
import { providePrimeNG } from 'primeng/config';
import { NEVER, of, throwError } from 'rxjs';
import type { Observable } from 'rxjs';
import { WhoDialog } from '../src/app/session/who-dialog';
import { SessionActions, selectWho, sessionFeature } from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';
import { fakeApi } from './fake-api';

const person = (id: string, name: string, more: Partial<PersonView> = {}): PersonView => ({
  id,
  name,
  role: 'technician',
  active: true,
  hasPin: true,
  email: null,
  oneTimeUntil: null,
  ...more,
});
const PEOPLE = [
  person('p1', 'Ilse Marrow'),
  person('p2', 'Bo Hannick', { role: 'apprentice' }),
  person('p3', 'No Pin', { hasPin: false }),
  person('p4', 'Has Left', { active: false }),
];
const changeOver = jest.fn();
let people: () => Observable<readonly PersonView[]>;
let closed: number;
let fixture: ComponentFixture<WhoDialog>;

async function open(session: SessionView = signedIn()): Promise<void> {
  TestBed.inject(Store).dispatch(SessionActions.known({ session }));
  fixture = TestBed.createComponent(WhoDialog);
  fixture.componentInstance.closed.subscribe(() => closed++);
  await fixture.whenStable();
}
/** The dialog stands in the page, not in its component. */
const words = (): string => document.body.textContent!.replace(/\s+/g, ' ');
const buttonOf = (name: string): HTMLButtonElement | undefined =>
  [...document.querySelectorAll('button')].find((one) =>
    (one.getAttribute('aria-label') ?? one.textContent)!.trim().startsWith(name),
  );
async function press(...names: string[]): Promise<void> {
  for (const name of names) {
    buttonOf(name)!.click();
    await fixture.whenStable();
  }
}
const key = async (name: string): Promise<void> => {
  document.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
  await fixture.whenStable();
};

beforeEach(() => {
  closed = 0;
  people = () => of(PEOPLE);
  changeOver.mockReset();
  TestBed.configureTestingModule({
    providers: [
      provideStore(),
      provideState(sessionFeature),
      provideRouter([]),
      providePrimeNG(),
      fakeApi({ listPeople: () => people(), switchUser: changeOver }),
    ],
  });
});
afterEach(() => fixture.destroy());

it('offers those who are still here, and not who is here already', async () => {
  await open();
  expect(['Bo Hannick', 'Ilse Marrow', 'No Pin', 'Has Left'].map((name) => buttonOf(name) !== undefined)).toEqual([
    true,
    false,
    true,
    false,
  ]);
});

it.each([
  ['a PIN is not enough for their role', 'Bo Hannick', [], 'A PIN is not enough'],
  ['they have no PIN', 'No Pin', ['apprentice', 'technician'], 'No Pin has no PIN yet'],
] as const)('asks for the password where %s', async (_why, name, rolesByPin, says) => {
  changeOver.mockReturnValue(NEVER);
  await open({ ...signedIn(), rolesByPin });
  await press(name);
  expect(words()).toContain(says);
  expect(buttonOf('1')).toBeUndefined();
  const field = document.querySelector<HTMLInputElement>('input[type=password]')!;
  field.value = 'correct horse';
  field.dispatchEvent(new Event('input'));
  await press('Switch user');
  const { id } = PEOPLE.find((one) => one.name === name)!;
  expect(changeOver).toHaveBeenCalledWith({ person: id, password: 'correct horse' });
});

it('takes over with the fourth digit, by press or by key', async () => {
  const session = {
    ...signedIn('Bo Hannick', 'apprentice'),
    person: { id: 'p2', name: 'Bo Hannick', role: 'apprentice' } as const,
  };
  changeOver.mockReturnValue(of(session));
  await open();
  await press('Bo Hannick', '3', '6');
  await key('9');
  expect(changeOver).not.toHaveBeenCalled();
  await key('0');
  expect(changeOver).toHaveBeenCalledWith({ person: 'p2', pin: '3690' });
  expect(TestBed.inject(Store).selectSignal(selectWho)()).toBe('Bo Hannick');
  expect(closed).toBe(1);
});

it('a digit is taken back, and letters are none', async () => {
  await open();
  changeOver.mockReturnValue(NEVER);
  await press('Bo Hannick', '1', '2', '9', 'Take back a digit', '3');
  await key('x');
  expect(changeOver).not.toHaveBeenCalled();
  await key('4');
  expect(changeOver).toHaveBeenCalledWith({ person: 'p2', pin: '1234' });
});

it('while the server looks, further digits are not taken', async () => {
  changeOver.mockReturnValue(NEVER);
  await open();
  await press('Bo Hannick', '1', '1', '1', '1');
  await key('2');
  expect(buttonOf('1')!.disabled).toBe(true);
  expect(changeOver).toHaveBeenCalledTimes(1);
});

it('a wrong PIN is told, nothing of it is left, and the next try begins anew', async () => {
  const detail = 'Wrong PIN. Try again.';
  changeOver.mockReturnValue(throwError(() => new HttpErrorResponse({ status: 403, error: { detail } })));
  await open();
  await press('Bo Hannick', '1', '1', '1', '1');
  expect(words()).toContain(detail);
  expect(document.querySelector('.typed')!.getAttribute('aria-label')).toBe('0 of 4 digits');
  expect(closed).toBe(0);
  await press('2', '2', '2', '2');
  expect(changeOver).toHaveBeenLastCalledWith({ person: 'p2', pin: '2222' });
});

it('where nobody else has an account, or the server does not answer, that is said', async () => {
  people = () => of(PEOPLE.slice(3));
  await open();
  expect(words()).toContain('Nobody else has an account here.');
  fixture.destroy();
  people = () => throwError(() => new HttpErrorResponse({ status: 0 }));
  await open();
  expect(words()).toContain('The people could not be loaded');
});

it('a phone of one job takes nobody over', async () => {
  await open({ ...signedIn(), kind: 'phone', job: 'j1' });
  expect(words()).toContain('paired with one job');
  expect(buttonOf('Sign out')).toBeUndefined();
});

it('the audit log is offered to those who may read it', async () => {
  await open(signedIn('Ilse Marrow', 'technician'));
  expect(words()).not.toContain('Audit log');
  fixture.destroy();
  await open(signedIn('Ilse Marrow', 'lead'));
  expect(words()).toContain('Audit log');
});

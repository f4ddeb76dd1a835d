/** Signing in: what is asked, what a refusal leaves, and the way over the shop's own accounts. */
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { Router } from '@angular/router';
import { Store, provideState, provideStore } from '@ngrx/store';
import { of, throwError } from 'rxjs';
import { SignIn } from '../src/app/screens/sign-in/sign-in';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';
import { fakeApi } from './fake-api';

const signIn = jest.fn();
let went: string[];
let fixture: ComponentFixture<SignIn>;

async function open(given: { shop?: string; to?: string; outcome?: string } = {}): Promise<void> {
  fixture = TestBed.createComponent(SignIn);
  for (const [name, value] of Object.entries(given)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
}
const page = (): HTMLElement => fixture.nativeElement as HTMLElement;
const fields = (): HTMLInputElement[] => [...page().querySelectorAll('input')];
async function fill(...texts: string[]): Promise<void> {
  fields().forEach((field, at) => {
    field.value = texts[at] ?? '';
    field.dispatchEvent(new Event('input'));
  });
  page().querySelector('form')!.dispatchEvent(new Event('submit'));
  await fixture.whenStable();
}

beforeEach(() => {
  localStorage.clear();
  went = [];
  signIn.mockReset();
  TestBed.configureTestingModule({
    providers: [
      provideStore(),
      provideState(sessionFeature),
      fakeApi({ signIn }),
      { provide: Router, useValue: { navigateByUrl: (to: string) => went.push(to) } },
    ],
  });
});

it('asks for shop, name and password, in the form that the server takes, and goes where one came from', async () => {
  signIn.mockReturnValue(of(signedIn('Ilse', 'technician')));
  await open({ to: '/jobs/7' });
  await fill(' Yard ', ' Ilse ', 'correct horse');
  expect(signIn).toHaveBeenCalledWith({ shop: 'yard', name: 'Ilse', password: 'correct horse' });
  expect(went).toEqual(['/jobs/7']);
});

it('remembers the shop of this device, never the name or the password', async () => {
  signIn.mockReturnValue(of(signedIn('Ilse', 'technician')));
  await open();
  await fill('yard', 'Ilse', 'correct horse');
  expect(JSON.stringify({ ...localStorage })).not.toMatch(/Ilse|horse/);
  await open();
  expect(fields().map(({ value }) => value)).toEqual(['yard', '', '']);
});

it('tells a refusal in the server’s words, and empties the password alone', async () => {
  const detail = 'This shop, name and password do not belong together.';
  signIn.mockReturnValue(throwError(() => new HttpErrorResponse({ status: 401, error: { detail, status: 401 } })));
  await open();
  await fill('yard', 'Ilse', 'wrong');
  expect(page().textContent).toContain(detail);
  expect(fields().map(({ value }) => value)).toEqual(['yard', 'Ilse', '']);
  expect(went).toEqual([]);
});

it('sends nothing while a field is missing', async () => {
  await open();
  await fill('yard', '', '');
  expect(signIn).not.toHaveBeenCalled();
  expect(page().textContent).toContain('a name of 1 to 80 characters');
});

it('asks whoever came with a one-time password for one of their own, and goes nowhere yet', async () => {
  TestBed.inject(Store).dispatch(
    SessionActions.known({ session: { ...signedIn('New', 'technician'), kind: 'first' } }),
  );
  await open();
  expect(page().querySelector('h1')!.textContent).toBe('Your own password');
  expect(went).toEqual([]);
});

describe('the shop’s own accounts', () => {
  const link = (): HTMLAnchorElement | null => page().querySelector('a[href="/api/session/oidc"]');

  it('are offered where a shop has them, and not elsewhere', async () => {
    await open();
    expect(link()).toBeNull();
    TestBed.inject(Store).dispatch(SessionActions.absent({ isDemo: false, singleSignOn: 'yard' }));
    await fixture.whenStable();
    expect(link()!.textContent).toContain('With an account of yard');
  });

  it.each([
    ['unknown', 'an administrator adds it under People'],
    ['refused', 'did not let you in'],
  ])('that end as %s say why', async (outcome, says) => {
    await open({ outcome });
    expect(page().textContent).toContain(says);
  });

  it('say nothing that somebody else wrote into the address', async () => {
    await open({ outcome: '<b>call 555</b>' });
    expect(page().textContent).not.toContain('555');
  });
});

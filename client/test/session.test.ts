/** Who works at this device: asked of the server, remembered without it, and let in where the demo is. */
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { NobodyView, SessionState } from '@tetrad/contracts';
import { of, throwError } from 'rxjs';
import type { Observable } from 'rxjs';
import { Kept } from '../src/app/device/kept';
import type { Api } from '../src/app/api/api';
import { SessionEffects } from '../src/app/state/session/session.effects';
import {
  SessionActions,
  selectMay,
  selectSessionLoading,
  selectShop,
  selectWho,
  sessionFeature,
} from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';
import { fakeApi } from './fake-api';

let answer: () => Observable<SessionState>;
const nobody = (more: Partial<NobodyView> = {}): Observable<NobodyView> =>
  of({ kind: 'nobody', isDemo: false, singleSignOn: null, ...more });
let kept: Map<string, unknown>;
let went: unknown[];
let demos: (string | null)[];
const failed = (status: number, more: object = {}) =>
  throwError(() => new HttpErrorResponse({ status, error: { detail: 'no', status, ...more } }));

async function load(): Promise<Store> {
  const store = TestBed.inject(Store);
  store.dispatch(SessionActions.load());
  await new Promise((resolve) => setTimeout(resolve, 20));
  return store;
}

beforeEach(() => {
  localStorage.clear();
  kept = new Map();
  went = [];
  demos = [];
  const api: Partial<Api> = {
    getSession: () => answer(),
    signOut: () => of(undefined),
    signInToDemo: ({ shop = null }) => {
      demos.push(shop);
      return shop === 'gone' ? failed(422) : of(signedIn('Demo', 'technician'));
    },
  };
  TestBed.configureTestingModule({
    providers: [
      provideStore(),
      provideState(sessionFeature),
      provideEffects(SessionEffects),
      fakeApi(api),
      { provide: Router, useValue: { url: '/jobs/7', navigate: (...words: unknown[]) => went.push(words) } },
      {
        provide: Kept,
        useValue: {
          get: (key: string) => Promise.resolve(kept.get(key)),
          put: (key: string, value: unknown) => Promise.resolve(kept.set(key, value)),
          clear: () => Promise.resolve(kept.clear()),
        },
      },
    ],
  });
});

it('is known by name, shop and what the role may', async () => {
  answer = () => of(signedIn('Ilse', 'technician'));
  const store = await load();
  const told = [selectWho, selectShop, selectMay('sign-off'), selectMay('differ')].map((one) =>
    store.selectSignal(one as never)(),
  );
  expect(told).toEqual(['Ilse', 'one', true, false]);
  expect(went).toEqual([]);
});

it('who is not signed in is sent to where that is done, with the way back, and forgotten on the device', async () => {
  kept.set('session', signedIn());
  answer = () => nobody();
  const store = await load();
  expect(store.selectSignal(selectShop)()).toBeNull();
  expect(went).toEqual([[['/sign-in'], { queryParams: { to: location.pathname + location.search } }]]);
  expect(kept.get('session')).toBeNull();
});

it('without the server whoever was here last works on, and is told', async () => {
  kept.set('session', signedIn('Ilse'));
  answer = () => failed(0);
  const store = await load();
  expect(store.selectSignal(selectWho)()).toBe('Ilse');
  expect(store.selectSignal(selectSessionLoading)().state).toBe('failed');
});

it('in another shop the job in view is left; the same shop, another person, changes nothing of it', async () => {
  const store = TestBed.inject(Store);
  const known = (name: string, shop: string) => {
    const session = signedIn(name, 'technician');
    store.dispatch(SessionActions.known({ session: { ...session, shop: { ...session.shop, id: shop } } }));
  };
  known('Ilse Marrow', 'one');
  known('Ove Lind', 'one');
  expect(went).toEqual([]);
  known('Ove Lind', 'two');
  expect(went).toEqual([[['/floor']]]);
});

it('a session that waits for a password of one’s own may do nothing in the shop', async () => {
  answer = () => of({ ...signedIn('New', 'administrator'), kind: 'first' as const });
  const store = await load();
  expect([store.selectSignal(selectShop)(), store.selectSignal(selectMay('manage-people'))()]).toEqual([null, false]);
});

it('the demo lets one in by itself, into the shop chosen last, and where that is gone into the first', async () => {
  answer = () => nobody({ isDemo: true });
  localStorage.setItem('tetrad.shop', 'gone');
  const store = await load();
  expect(demos).toEqual(['gone', null]);
  expect(store.selectSignal(selectWho)()).toBe('Demo');
  expect(went).toEqual([]);
});

describe('signing out', () => {
  const signOut = async (forgetsAtSignOut: boolean) => {
    const session = signedIn('Ilse', 'technician');
    answer = () => of({ ...session, shop: { ...session.shop, forgetsAtSignOut } });
    const store = await load();
    kept.set('job one', {});
    sessionStorage.setItem('tetrad.undo one', '[]');
    store.dispatch(SessionActions.signOut());
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(went).toHaveLength(1);
    return { jobs: kept.has('job one'), typed: sessionStorage.getItem('tetrad.undo one') !== null };
  };

  it('leaves the jobs on the device for work without the server', async () => {
    expect(await signOut(false)).toEqual({ jobs: true, typed: true });
  });

  it('removes them where the shop chose so', async () => {
    expect(await signOut(true)).toEqual({ jobs: false, typed: false });
  });
});

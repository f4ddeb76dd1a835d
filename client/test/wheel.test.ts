/** The phone at the wheel, and the code that lets it in. */
import { TestBed } from '@angular/core/testing';
import type { JobView } from '@tetrad/contracts';
import { judge } from '@tetrad/core';
import { of, throwError } from 'rxjs';
import { Sound } from '../src/app/device/sound';
import { JobStore } from '../src/app/job/job.store';
import { WheelLink } from '../src/app/screens/bench/job/wheel-link';
import { Wheel } from '../src/app/screens/wheel/wheel';
import { Api } from '../src/app/api/api';
import { JobActions } from '../src/app/job/jobs.feature';
import { Store } from '@ngrx/store';
import { SessionActions } from '../src/app/state/session/session.feature';
import { button, ground, queuedActs, rest, signedIn, standingBed, subject, text, timer, view } from './bench-fixtures';
import { apiThat } from './fake-api';

const told = (of: Parameters<typeof subject>[0] = [], more: Partial<JobView> = {}): JobView => {
  const given = subject(of);
  return view(given, { judgement: judge(given), ...more });
};

describe('the wheel', () => {
  let played: string[];
  beforeEach(() => {
    standingBed();
    played = [];
    TestBed.overrideProvider(Sound, { useValue: { play: (tone: string) => void played.push(tone) } });
    // the wheel has a store of its own for the job: here the one that the test can see into
    TestBed.overrideComponent(Wheel, { set: { providers: [JobStore] } });
  });

  async function wheel(job: JobView) {
    const store = TestBed.inject(Store);
    store.dispatch(SessionActions.known({ session: signedIn() }));
    const fixture = TestBed.createComponent(Wheel);
    fixture.componentRef.setInput('id', job.id);
    await fixture.whenStable();
    const tell = async (news: JobView) => {
      store.dispatch(JobActions.loaded({ job: news }));
      await fixture.whenStable();
    };
    await tell(job);
    return { fixture, tell, said: () => text(fixture) };
  }

  it('says what comes next in big words while nothing is counted', async () => {
    const { said } = await wheel(told());
    expect(said()).toMatch(/Next ?Resting voltage/);
  });

  it('asks that the caution of cranking is understood before it counts one down', async () => {
    const { fixture, said } = await wheel(told([rest]));
    const count = button(fixture, 'Count down a crank');
    expect(count.disabled).toBe(true);
    expect(said()).toContain('Caution.');
    button(fixture, 'Understood').click();
    await fixture.whenStable();
    expect(queuedActs().map(({ kind }) => kind)).toEqual(['acknowledgement']);
    expect(button(fixture, 'Count down a crank').disabled).toBe(false);
  });

  it('shows a count that runs, and stops it', async () => {
    const { fixture } = await wheel(told([rest], { timers: [timer('crank', 2, 10)] }));
    button(fixture, 'Stop the count').click();
    await fixture.whenStable();
    expect(queuedActs().map(({ kind }) => kind)).toEqual(['timer-stop']);
  });

  it('beeps for a reading that the bench took, not for those that were there when it was opened', async () => {
    const { tell, said } = await wheel(told([rest]));
    expect(said()).toContain('12.64 V');
    expect(played).toEqual([]);
    await tell(told([rest, ground]));
    expect(said()).toContain('2.90 V');
    expect(played).toEqual(['read']);
  });

  it('a reading that was voided is not the newest', async () => {
    const { said } = await wheel(told([rest, { ...ground, void: 'clip fell off' }]));
    expect(said()).toContain('12.64 V');
    expect(said()).not.toContain('2.90 V');
  });
});

describe('the code for the phone', () => {
  async function link(pairPhone: Api['pairPhone']) {
    standingBed();
    TestBed.overrideProvider(Api, { useValue: apiThat({ getSession: () => of(signedIn()), pairPhone }) });
    TestBed.inject(Store).dispatch(SessionActions.known({ session: signedIn() }));
    const fixture = TestBed.createComponent(WheelLink);
    fixture.componentRef.setInput('job', 'job-1');
    await fixture.whenStable();
    return { page: document.body, fixture };
  }
  afterEach(() => document.body.replaceChildren());

  it('is drawn with the key, while the address beside it is told without', async () => {
    const { page } = await link(() => of({ key: 'k'.repeat(32), endsAt: '2026-03-02T10:10:00Z' }) as never);
    const code = page.querySelector('svg[role=img]')!;
    expect(code.getAttribute('aria-label')).toBe('QR code of http://localhost/jobs/job-1/wheel');
    expect(
      code
        .querySelector('path')!
        .getAttribute('d')!
        .match(/h1v1h-1z/g)!.length,
    ).toBeGreaterThan(200);
    expect(page.textContent).not.toContain('kkkk');
  });

  it('says that a phone cannot reach an address of this computer alone', async () => {
    const { page } = await link(() => of({ key: 'k', endsAt: '' }) as never);
    expect(page.textContent).toContain('The phone cannot reach this address');
  });

  it('says so where the server does not answer, and draws no code', async () => {
    const { page } = await link(() => throwError(() => new Error('away')) as never);
    expect(page.textContent).toContain('could not be made');
    expect(page.querySelector('svg[role=img]')).toBeNull();
  });
});

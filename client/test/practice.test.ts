/** The practice screens: exercises, the call, and the review, with a worker of the test's own. */
import { ApplicationRef } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { PracticeResultView } from '@tetrad/contracts';
import type { PracticeResult } from '@tetrad/core';
import { MessageService } from 'primeng/api';
import { of, throwError } from 'rxjs';
import { EXERCISES, PracticeSession, exerciseOf, readExercise, writeExercise } from '@tetrad/core/practice';
import type { Exercise } from '@tetrad/core/practice';
import { CrankSound } from '../src/app/practice/crank-sound';
import { LeftVisits } from '../src/app/practice/left-visits';
import { PracticeResults } from '../src/app/practice/practice-results';
import { dueAt, proposed } from '../src/app/practice/repetition';
import { PracticeVisit } from '../src/app/practice/practice-visit';
import type { FromPractice, ToPractice } from '../src/app/practice/practice-messages';
import { CallDialog } from '../src/app/practice/call-dialog';
import { ExerciseDialog } from '../src/app/screens/practice/exercise-dialog';
import { PracticeClass } from '../src/app/screens/practice/practice-class';
import { PracticeList } from '../src/app/screens/practice/practice-list';
import { PracticeReview } from '../src/app/practice/practice-review';
import type { Api } from '../src/app/api/api';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';
import { fakeApi } from './fake-api';

let said: ToPractice[];
let hear: ((event: { data: FromPractice }) => void) | null;
jest.mock('../src/app/practice/practice-worker.factory', () => ({
  practiceWorker: () => ({
    addEventListener: (kind: string, listener: typeof hear) => kind === 'message' && (hear = listener),
    postMessage: (message: ToPractice) => said.push(message),
    terminate: () => undefined,
  }),
}));
jest.mock('chart.js', () => ({
  Chart: class {
    static readonly register: () => void = () => undefined;
    destroy = () => undefined;
  },
}));

const practiced: PracticeResult = {
  ...{ exercise: 'belt', title: 'It squeals in the rain', at: '2026-11-01T10:00:00Z', points: 80, minutes: 30 },
  ...{ isRight: true, isProven: true, help: 'hints', hints: 0, steps: ['belt'], voids: [], safety: [] },
};
/** The server: what it has, and whether it can be reached. */
let stored: PracticeResultView[];
let isAway: boolean;
const away = () => throwError(() => new Error('no network'));
const practiceClass = jest.fn();
const api: Partial<Api> = {
  listPracticeResults: () => (isAway ? away() : of(stored)),
  putPracticeResult: (_shop, id, { result }) => {
    if (isAway) return away();
    stored.push({ ...result, id: String(id) });
    return of(undefined);
  },
  getClass: practiceClass,
};

beforeEach(() => {
  said = [];
  hear = null;
  stored = [];
  isAway = false;
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore(),
      provideState(sessionFeature),
      fakeApi(api),
      PracticeVisit,
      MessageService,
    ],
  });
  TestBed.inject(Store).dispatch(SessionActions.known({ session: signedIn() }));
});
const textOf = (element: unknown): string => (element as HTMLElement).textContent!.replace(/\s+/g, ' ');

describe('the list', () => {
  it('shows every exercise, what its driver says, and the best of this device, never its fault', async () => {
    TestBed.inject(PracticeResults).add({ ...practiced, at: '2026-11-29T10:00:00Z', points: 71 });
    TestBed.inject(PracticeResults).add({ ...practiced, at: '2026-11-29T11:00:00Z', points: 64 });
    const fixture = TestBed.createComponent(PracticeList);
    await fixture.whenStable();
    const words = textOf(fixture.nativeElement);
    for (const { title, story } of EXERCISES) {
      expect(words).toContain(title);
      expect(words).toContain(story);
    }
    expect(words).toContain('71 points');
    expect(words).not.toMatch(/battery worn|starter dragging|slipping/);
  });
  it.each(['', 'forty', '-3', '1.5', '1234567890'])(
    'a vehicle whose number is “%s” is refused with what is allowed',
    async (number) => {
      const fixture = TestBed.createComponent(PracticeList);
      await fixture.whenStable();
      const root = fixture.nativeElement as HTMLElement;
      const field = root.querySelector<HTMLInputElement>('form input')!;
      field.value = number;
      field.dispatchEvent(new Event('input'));
      root.querySelector('form')!.dispatchEvent(new Event('submit'));
      await fixture.whenStable();
      expect(textOf(root)).toContain('A whole number, up to nine digits');
    },
  );
});

describe('results', () => {
  it('are kept at the device while the server is away, sent once it answers, and stay their person’s own', () => {
    isAway = true;
    const results = TestBed.inject(PracticeResults);
    results.add(practiced);
    expect([results.of('belt').length, stored.length]).toEqual([1, 0]);
    isAway = false;
    globalThis.dispatchEvent(new Event('online'));
    expect(stored).toEqual([expect.objectContaining({ exercise: 'belt', points: 80 })]);
    globalThis.dispatchEvent(new Event('online'));
    expect(stored).toHaveLength(1);
    const { person, ...session } = signedIn();
    TestBed.inject(Store).dispatch(
      SessionActions.known({ session: { ...session, person: { ...person, id: 'another', name: 'Bo' } } }),
    );
    expect(results.all()).toEqual([]);
  });
});

describe('a lead writes an exercise', () => {
  const open = async () => {
    const fixture = TestBed.createComponent(ExerciseDialog);
    const written: Exercise[] = [];
    fixture.componentInstance.written.subscribe((one) => written.push(one));
    await fixture.whenStable();
    const form = document.querySelector<HTMLFormElement>('tt-exercise-dialog form, .kit-dialog form')!;
    const fill = (index: number, value: string): void => {
      const field = form.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>('input[pInputText], textarea')[
        index
      ]!;
      field.value = value;
      field.dispatchEvent(new Event('input'));
    };
    const submit = async (): Promise<void> => {
      form.dispatchEvent(new Event('submit'));
      await fixture.whenStable();
    };
    return { form, fill, submit, written };
  };

  it('that can be read again as a file, with its hints line by line', async () => {
    const { fill, submit, written } = await open();
    ['Monday morning', 'It is flat every Monday.', 'A draw read twice is a fact.', '35'].forEach((value, at) =>
      fill(at, value),
    );
    fill(4, 'Zero the clamp.\n\nWait until it sleeps.');
    await submit();
    expect(written).toEqual([
      expect.objectContaining({ id: 'monday-morning', seed: 35, hints: ['Zero the clamp.', 'Wait until it sleeps.'] }),
    ]);
    expect(readExercise(writeExercise(written[0]!))).toEqual({ ok: true, exercise: written[0] });
  });
  it('and is told what is missing', async () => {
    const { form, fill, submit, written } = await open();
    fill(3, 'forty');
    await submit();
    expect(written).toEqual([]);
    expect(textOf(form).match(/Needed/g)).toHaveLength(3);
    expect(textOf(form)).toContain('A whole number, up to nine digits');
  });
});

describe('repetition', () => {
  const on = (day: number, more: Partial<PracticeResult> = {}): PracticeResult => ({
    ...practiced,
    at: `2026-11-${String(day).padStart(2, '0')}T10:00:00Z`,
    ...more,
  });
  const days = (results: readonly PracticeResult[]): number =>
    (dueAt(results).getTime() - Date.parse(results.at(-1)!.at)) / 86_400_000;

  it('comes sooner after a wrong call than after a right one, and later each time it was right', () => {
    expect(days([on(1, { isRight: false, points: 20 })])).toBeLessThan(days([on(1)]));
    expect(days([on(1), on(4), on(12)])).toBeGreaterThan(days([on(1), on(4)]));
    expect(days([on(1, { points: 95 })])).toBeGreaterThan(days([on(1, { isProven: false })]));
  });
  it('proposes what is longest due, else what was never tried, in the order of testing', () => {
    const now = new Date('2026-11-29T10:00:00Z');
    expect(proposed([], now)).toEqual({ exercise: EXERCISES[0]!.id, why: 'new' });
    const wrong = { isRight: false, points: 10 };
    const results = [on(2, { exercise: 'drain', ...wrong }), on(3, { exercise: 'belt', ...wrong })];
    expect(proposed(results, now)).toEqual({ exercise: 'drain', why: 'due' });
    expect(proposed([on(29, { points: 95 })], now)).toEqual({ exercise: EXERCISES[0]!.id, why: 'new' });
  });
});

describe('the class', () => {
  const open = async (role: 'lead' | 'apprentice'): Promise<HTMLElement> => {
    const { person, ...session } = signedIn();
    TestBed.inject(Store).dispatch(SessionActions.known({ session: { ...session, person: { ...person, role } } }));
    const fixture = TestBed.createComponent(PracticeClass);
    await fixture.whenStable();
    return fixture.nativeElement as HTMLElement;
  };
  const view = (id: string, more: Partial<PracticeResult>): PracticeResultView => ({ ...practiced, id, ...more });

  it('names weak lessons by everybody’s newest visit, and what each should try next', async () => {
    practiceClass.mockReturnValue(
      of([
        { id: 'a', name: 'Bo', results: [view('1', { points: 30 }), view('2', { points: 90 })] },
        { id: 'b', name: 'Ida', results: [view('3', { exercise: 'drain', points: 40, isRight: false })] },
      ]),
    );
    const words = textOf(await open('lead'));
    expect(words).toContain('Flat after a weekend: 40 points, 1 person');
    expect(words).not.toContain('It squeals in the rain: 30');
    expect(words).toMatch(/Bo ?1 of \d+90–/);
    // one person over time
    [...document.querySelectorAll('button')].find((one) => textOf(one).trim() === 'Bo')!.click();
    await TestBed.inject(ApplicationRef).whenStable();
    expect(document.querySelector('canvas')!.getAttribute('aria-label')).toBe('Points of Bo over time');
  });
  it('is not asked for by whoever may not see it', async () => {
    practiceClass.mockClear();
    const words = textOf(await open('apprentice'));
    expect(words).toContain('Leads and administrators see the class.');
    expect(practiceClass).not.toHaveBeenCalled();
  });
  it('of nobody who practiced says so, and one that could not be loaded can be tried again', async () => {
    practiceClass.mockReturnValueOnce(of([{ id: 'a', name: 'Bo', results: [] }]));
    expect(textOf(await open('lead'))).toContain('Nobody has called a part in the practice bay yet.');
    practiceClass.mockReturnValueOnce(away());
    expect(textOf(await open('lead'))).toContain('The class could not be loaded.');
  });
});

const belt = exerciseOf('belt')!;
describe('a visit', () => {
  const visitOf = (session: PracticeSession): FromPractice =>
    ({ kind: 'visit', visit: { readings: [] }, left: session.left }) as unknown as FromPractice;

  it('that was left goes on where it was, also in a new page; one that was called begins anew', () => {
    const session = new PracticeSession(exerciseOf('belt')!);
    session.show(session.judgement.next[0]!);
    const first = TestBed.inject(PracticeVisit);
    first.open(belt);
    expect(said).toEqual([{ kind: 'open', exercise: belt, left: null }]);
    hear!({ data: visitOf(session) });
    first.open(belt);
    expect(said.at(-1)).toMatchObject({
      left: { bay: { readings: session.bay.case.readings }, minutes: session.minutes },
    });
    first.say({ kind: 'call', call: { action: 'replace', part: 'belt' } });
    expect(first.isCalling()).toBe(true);
    hear!({ data: { kind: 'score', score: {}, done: [] } as unknown as FromPractice });
    expect(TestBed.inject(LeftVisits).of('belt')).toBeNull();
  });
  it('what cannot be written down says why, until the next thing is done', () => {
    const visit = TestBed.inject(PracticeVisit);
    visit.open(belt);
    hear!({ data: { kind: 'refused', why: 'no-test' } });
    expect(visit.refused()).toContain('No test of the trade is read so');
    visit.say({ kind: 'wait', minutes: 1 });
    expect(visit.refused()).toBeNull();
  });
});

it('a left visit has its readings, minutes and dangers again, and the same verdict', () => {
  const exercise = exerciseOf('slow-ground')!;
  const before = new PracticeSession(exercise);
  for (let i = 0; i < 4 && before.judgement.next[0]; i++) before.show(before.judgement.next[0]);
  before.bay.takeOff({ isBeltOff: true });
  const after = new PracticeSession(exercise, JSON.parse(JSON.stringify(before.left)));
  expect(after.bay.takenOff).toEqual(before.bay.takenOff);
  expect(after.minutes).toBe(before.minutes);
  expect(after.bay.case.readings).toEqual(before.bay.case.readings);
  expect(after.judgement).toEqual(before.judgement);
});

it('a cranked engine is heard twice a turn of four cylinders, and not while it stands', () => {
  const sound = new CrankSound();
  const heard = (rpm: number) =>
    Array.from({ length: 600 }, () => sound.passes(rpm, 4, 0.1 / 60)).filter(Boolean).length;
  expect([heard(185), heard(0)]).toEqual([6, 0]); // one second at 185 rpm
});

describe('the call', () => {
  it('offers each part with what is done to it, and calls nothing before one is chosen', async () => {
    const fixture = TestBed.createComponent(CallDialog);
    await fixture.whenStable();
    const button = [...document.querySelectorAll('button')].find((one) => textOf(one).includes('Call it'))!;
    expect(button.disabled).toBe(true);
  });
});

describe('the review', () => {
  const review = async (call: Parameters<PracticeSession['call']>[0], follow: boolean): Promise<string> => {
    const exercise = exerciseOf('slow-ground')!;
    const session = new PracticeSession(exercise);
    while (follow && session.judgement.decision.action === 'test-next') session.show(session.judgement.next[0]!);
    const fixture = TestBed.createComponent(PracticeReview);
    fixture.componentRef.setInput('exercise', exercise);
    fixture.componentRef.setInput('scored', { score: session.call(call), done: session.done });
    await fixture.whenStable();
    return textOf(fixture.nativeElement);
  };

  it('of a proven call says so, with the judge’s own path and its minutes', async () => {
    const words = await review({ action: 'repair', part: 'connections' }, true);
    for (const part of [
      '100 of 100 points',
      'Right, and proven',
      'bad ground between starter and battery',
      'Nothing unsafe.',
      'Drop, starter case',
    ])
      expect(words).toContain(part);
  });
  it('of a sound part that was condemned names the truth and what was not tested', async () => {
    const words = await review({ action: 'replace', part: 'battery' }, false);
    expect(words).toContain('Not the right call');
    expect(words).toContain('Repair the connection: bad ground between starter and battery');
    expect(words).toContain('Not tested: Resting voltage');
  });
});

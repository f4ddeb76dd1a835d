/** Rounds in the interface: what is due, who checks it, and a job that begins as the last visit knew the vehicle. */
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideState, provideStore } from '@ngrx/store';
import type { RoundVehicle, RoundView } from '@tetrad/contracts';
import { MessageService } from 'primeng/api';
import { of } from 'rxjs';
import { Toasts } from '../src/app/kit/toasts';
import type { OutboxActions } from '../src/app/outbox/outbox.actions';
import { Rounds } from '../src/app/screens/rounds/rounds';
import { Api } from '../src/app/state/api';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';

const day = (inDays: number): string => new Date(Date.now() + inDays * 86_400_000).toISOString().slice(0, 10);
const due = (id: string, inDays: number, more: Partial<RoundVehicle> = {}): RoundVehicle => ({
  vehicle: { id, name: `Van ${id}`, plate: null, vin: null, year: null, group: 'North' },
  lastVisit: '2026-01-01T08:00:00Z',
  dueOn: day(inDays),
  decision: null,
  system: { nominalVolts: 24, battery: { chemistry: 'agm' } },
  ...more,
});
const rounds = jest.fn();
const endRound = jest.fn(() => of(undefined));
const putRound = jest.fn(() => of({}));
const say = jest.fn();
const textOf = (element: unknown): string => (element as HTMLElement).textContent!.replace(/\s+/g, ' ');
const press = (root: ParentNode, words: string): void =>
  [...root.querySelectorAll('button')].find((one) => textOf(one).trim() === words)!.click();

async function open(vehicles: readonly RoundVehicle[], role: 'technician' | 'apprentice' = 'technician') {
  const round: RoundView = { id: 'r', group: 'North', everyDays: 90, assignee: 'Bo', vehicles };
  rounds.mockReturnValue(of([round]));
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      provideStore(),
      provideState(sessionFeature),
      MessageService,
      { provide: Toasts, useValue: { say } },
      { provide: Api, useValue: { rounds, endRound, putRound } },
    ],
  });
  TestBed.inject(Store).dispatch(SessionActions.known({ session: signedIn('Ilse Marrow', role) }));
  const fixture = TestBed.createComponent(Rounds);
  await fixture.whenStable();
  return fixture;
}
beforeEach(() => jest.clearAllMocks());

it('says how many are due, and of each since when', async () => {
  const words = textOf((await open([due('a', -12), due('b', 5, { lastVisit: null })])).nativeElement);
  expect(words).toContain('1 of 2 due');
  expect(words).toMatch(/Van a.*1[123] days ago/);
  expect(words).toMatch(/Van b.*in [456] daysnever/);
});
it('a check opens a job of that vehicle with the system of its last visit, for whoever presses', async () => {
  const fixture = await open([due('a', -12)]);
  const dispatch = jest.spyOn(TestBed.inject(Store), 'dispatch');
  press(fixture.nativeElement as HTMLElement, 'Check');
  const [action] = dispatch.mock.calls.at(-1) as unknown as [ReturnType<typeof OutboxActions.queued>];
  expect(action.item).toMatchObject({
    kind: 'new-job',
    body: { vehicle: { id: 'a' }, system: { nominalVolts: 24 }, assignee: 'Ilse Marrow' },
  });
});
it('a round that was ended can be taken back', async () => {
  const fixture = await open([]);
  press(fixture.nativeElement as HTMLElement, 'End it');
  const [said, undo] = say.mock.calls[0] as [string, () => void];
  expect(said).toBe('The round of North is ended.');
  undo();
  expect(putRound).toHaveBeenCalledWith('one', 'r', { group: 'North', everyDays: 90, assignee: 'Bo' });
});
it('is not asked for by whoever may not see it', async () => {
  expect(textOf((await open([], 'apprentice')).nativeElement)).toContain('Technicians, leads and administrators');
  expect(rounds).not.toHaveBeenCalled();
});

/// <reference lib="webworker" />
/** The vehicle of the practice bay, living in real time away from the page. */
import { SYMPTOMS } from '@tetrad/core';
import { PracticeSession, scoreBenchVisit } from '@tetrad/core/practice';
import type { Exercise, LeftVisit, Refusal } from '@tetrad/core/practice';
import type { BayVehicle, BayView, FromPractice, ToPractice, VisitView } from './practice-messages';

/** Between two looks, and the most that is made up for after a pause, ms. */
const LOOK_MS = 50;
const MAX_CATCH_UP_MS = 200;

let session: PracticeSession | null = null;
let last = performance.now();

const say = (message: FromPractice): void => postMessage(message);

setInterval(() => {
  const now = performance.now();
  const elapsed = Math.min(MAX_CATCH_UP_MS, now - last);
  last = now;
  if (!session) return;
  session.bay.advance(elapsed / 1000);
  say({ kind: 'bay', bay: bayOf(session) });
}, LOOK_MS);

addEventListener('message', ({ data }: MessageEvent<ToPractice>) => {
  if (data.kind === 'open') return open(data.exercise, data.left);
  if (data.kind === 'score-bench')
    return say({ kind: 'score', ...scoreBenchVisit(data.exercise, data.subject, data.call) });
  if (session) act(session, data);
});

function open(exercise: Exercise, left: LeftVisit | null): void {
  session = new PracticeSession(exercise, left ?? undefined);
  last = performance.now();
  tellVisit(session);
}

const tellVisit = (now: PracticeSession): void => say({ kind: 'visit', visit: visitOf(now), left: now.left });

function act(now: PracticeSession, message: Exclude<ToPractice, { kind: 'open' | 'score-bench' }>): void {
  switch (message.kind) {
    case 'hands':
      return now.bay.take(message.hands);
    case 'vehicle':
      return tellRefusal(turn(now, message.hands));
    case 'take-off':
      return tellRefusal(now.bay.takeOff(message.change));
    case 'mend':
      return now.bay.mend(message.what);
    case 'label':
      now.readLabel();
      break;
    case 'write': {
      const written = now.write();
      if ('why' in written) return say({ kind: 'refused', why: written.why });
      break;
    }
    case 'look':
      now.look(message.about);
      break;
    case 'special':
      now.special(message.test);
      break;
    case 'charge':
      now.charge();
      break;
    case 'wait':
      now.wait(message.minutes);
      break;
    case 'hint':
      return say({ kind: 'hint', hint: now.hint() });
    case 'show': {
      const [next] = now.judgement.next;
      if (next) now.show(next);
      break;
    }
    case 'call':
      return say({ kind: 'score', score: now.call(message.call), done: now.done });
    default:
      throw new Error(`unknown message ${JSON.stringify(message satisfies never)}`);
  }
  tellVisit(now);
}

function turn({ bay }: PracticeSession, { isLoadTested, isCharging, ...hands }: Partial<BayVehicle>): Refusal | null {
  if (isLoadTested !== undefined) return bay.loadTest(isLoadTested);
  return isCharging === undefined ? bay.set(hands) : bay.putOnCharger(isCharging);
}
function tellRefusal(why: Refusal | null): void {
  if (why !== null) say({ kind: 'refused', why });
}

function bayOf({ bay, minutes }: PracticeSession): BayView {
  const { key, hasFuel, loads, throttle, testerAmps, lamps, chargerAmps } = bay.controls;
  const { rpm } = bay.instant;
  return {
    hands: bay.hands,
    shown: bay.shown,
    clampAmps: bay.clampAmps,
    test: bay.test,
    seeing: bay.seeing,
    recorded: bay.recorded,
    takenOff: bay.takenOff,
    flow: bay.flow,
    vehicle: { key, hasFuel, loads, throttle, lamps, isLoadTested: testerAmps > 0, isCharging: chargerAmps > 0 },
    senses: bay.senses,
    rpm,
    minutes,
  };
}

function visitOf({ bay, judgement }: PracticeSession): VisitView {
  const { readings, observations = [], complaint, system, conditions } = bay.case;
  const graded = new Map(judgement.readings.map((reading) => [reading.id, reading]));
  return {
    symptoms: (complaint?.symptoms ?? []).map((name) => SYMPTOMS[name].name).join(', '),
    system,
    celsius: conditions?.ambientCelsius ?? null,
    readings: readings.map(({ id, test, value, battery = null }) => ({
      id,
      test,
      battery,
      value,
      graded: graded.get(id)!,
    })),
    observations,
    next: judgement.next[0] ?? null,
  };
}

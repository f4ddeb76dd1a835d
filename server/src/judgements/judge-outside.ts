/**
 * A case that is heavy to judge is judged in a thread, and nobody waits for a thread with a transaction open or a job
 * locked: what is to be judged is found out, all of it is undone, it is judged, and the work is done again with what the
 * judge said. Where the case has changed meanwhile it is judged once more.
 */
import { AsyncLocalStorage } from 'node:async_hooks';
import { createHash } from 'node:crypto';
import { doInThread } from '../platform/workers/heavy-work';
import { JUDGE, judge } from './judge-task';
import type { JudgeTask, Judged } from './judge-task';
import { Refusal, problem } from '../platform/http/problem';

/** A case with fewer readings is judged faster than it is handed over. */
const HEAVY_FROM = 200;
/** So often it is judged again, where others change the same job meanwhile. */
const MAX_TRIES = 5;
const AGAIN_S = 2;

/** Ends the work at hand: it goes on when this is judged. */
class ToJudge {
  constructor(
    readonly task: JudgeTask,
    readonly digest: string,
  ) {}
}

const known = new AsyncLocalStorage<Map<string, Judged>>();

/** Does work of which `judged` may be a part; it is undone as a whole where it throws. */
export async function judgingOutside<T>(work: () => Promise<T>): Promise<T> {
  const said = new Map<string, Judged>();
  for (let tries = 0; tries <= MAX_TRIES; tries++) {
    try {
      return await known.run(said, work);
    } catch (error) {
      if (!(error instanceof ToJudge)) throw error;
      said.set(error.digest, await doInThread(JUDGE, error.task));
    }
  }
  throw new Refusal(
    problem(503, 'busy', 'Others change this job faster than it can be judged. Nothing was stored; try again.'),
    AGAIN_S,
  );
}

/** What the judge says of a case. */
export async function judged(task: JudgeTask): Promise<Judged> {
  if (task.subject.readings.length < HEAVY_FROM) return judge(task);
  const said = known.getStore();
  if (!said) return doInThread(JUDGE, task);
  const digest = createHash('sha256').update(JSON.stringify(task)).digest('base64');
  const before = said.get(digest);
  if (before) return before;
  throw new ToJudge(task, digest);
}

/** A job as it stands with what is not sent yet. */
import type { OutboxItem } from '../src/app/outbox/outbox-item';
import { queued, requestOf, withOutbox } from '../src/app/outbox/outbox-item';
import { JOB, jobView, opening, reading } from './outbox-fixtures';

describe('a job with its outbox', () => {
  it('shows readings that are not stored yet, each once', () => {
    const item = reading('a', 12.6);
    const seen = withOutbox(jobView(), JOB, [item]);
    expect(seen?.case.readings.map(({ id }) => id)).toEqual(['a']);
    expect(withOutbox(seen, JOB, [item])?.case.readings).toHaveLength(1);
  });

  it('does not apply what was refused', () => {
    expect(withOutbox(jobView(), JOB, [{ ...reading('a', 12.6), state: 'refused' }])?.case.readings).toEqual([]);
  });

  it('is there before the server knows it', () => {
    expect(withOutbox(null, JOB, [opening('Van'), reading('a', 12.6)])).toMatchObject({
      vehicle: { name: 'Van' },
      case: { readings: [{ id: 'a' }] },
    });
  });

  it('shows a timer, a caution, a look and a sign-off before the server has them, and each once', () => {
    const common = { shop: 'one', job: JOB } as const;
    const at = Date.parse('2026-03-02T10:00:00Z');
    const items = [
      queued({ ...common, kind: 'timer', startedAt: at, body: { id: 'old', kind: 'settle' } }, at),
      queued({ ...common, kind: 'timer', startedAt: at, body: { id: 'new', kind: 'settle', seconds: 90 } }, at),
      queued({ ...common, kind: 'timer', startedAt: at, body: { id: 'gone', kind: 'sleep' } }, at),
      queued({ ...common, kind: 'timer-stop', timer: 'gone' }, at),
      queued({ ...common, kind: 'acknowledgement', body: { caution: 'acid' }, by: 'Ilse' }, at),
      queued(
        { ...common, kind: 'observation', body: { id: 'o', observation: { about: 'belt', finding: 'good' } } },
        at,
      ),
      queued({ ...common, kind: 'changes', body: { version: 1, pass: 'after', vehicle: { plate: 'X-1' } } }, at),
      queued(
        {
          ...common,
          kind: 'sign-off',
          body: { id: 's', action: 'none-found', conclusion: 'Sound.', partsFitted: [] },
          by: 'Bo',
        },
        at,
      ),
    ];
    expect(withOutbox(jobView(), JOB, items.slice(0, -1))!.timers).toEqual([
      { id: 'new', kind: 'settle', seconds: 90, startedAt: '2026-03-02T10:00:00.000Z' },
    ]);
    const once = withOutbox(jobView(), JOB, items)!; // signed off, nothing is waited for any more
    expect(once).toMatchObject({
      pass: 'after',
      status: 'closed',
      vehicle: { name: 'Test van', plate: 'X-1' },
      timers: [],
      acknowledgements: [{ caution: 'acid', by: 'Ilse' }],
      signOff: { by: 'Bo', part: null, reason: null },
      case: { observations: [{ about: 'belt', finding: 'good' }] },
    });
    // the server's answer overtook the outbox: what it has already is not shown twice
    const twice = withOutbox(once, JOB, items)!;
    expect([twice.timers, twice.acknowledgements]).toEqual([once.timers, once.acknowledgements]);
  });
});

describe('an observation taken back', () => {
  const look = (id: string, finding: string): OutboxItem =>
    queued({
      kind: 'observation',
      shop: 'one',
      job: JOB,
      body: { id, observation: { about: 'belt', finding } },
    });
  const back = (id: string, finding: string): OutboxItem =>
    queued({ kind: 'take-back', shop: 'one', job: JOB, observation: id, said: { about: 'belt', finding } });
  const belt = (...items: readonly OutboxItem[]) =>
    withOutbox(jobView(), JOB, items)!.case.observations!.map(({ finding }) => finding);

  it('counts no longer, and what was seen before counts again', () => {
    expect(belt(look('a', 'good'), look('b', 'loose'), back('b', 'loose'))).toEqual(['good']);
  });
  it('takes back one look, not every look that found the same', () => {
    expect(belt(look('a', 'good'), look('b', 'good'), back('b', 'good'))).toEqual(['good']);
  });
  it('is asked for by the id it was stored under', () => {
    expect(requestOf(back('b', 'loose'), 0)).toEqual({
      method: 'POST',
      url: `/api/shops/one/jobs/${JOB}/observations/b/take-back`,
      body: null,
    });
  });
});

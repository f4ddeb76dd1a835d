/** A quick check: read first, and given a vehicle later or thrown away. */
import type { OutboxItem } from '../src/app/outbox/outbox-item';
import { OutboxActions } from '../src/app/outbox/outbox.actions';
import { nextToSend } from '../src/app/outbox/outbox.effects';
import { JOB, itemsOf, opening, reading, reducer } from './outbox-fixtures';

describe('a quick check', () => {
  const held: OutboxItem = { ...opening('Quick check'), state: 'held' };
  const begun = (...more: readonly OutboxItem[]) =>
    [held, ...more].reduce(
      (state, item) => reducer(state, OutboxActions.queued({ item })),
      reducer(undefined, { type: 'start' }),
    );

  it('holds what is entered into it, and nothing of it is sent', () => {
    const items = itemsOf(begun(reading('a', 12.6), reading('b', 12.5)));
    expect(items.map(({ state }) => state)).toEqual(['held', 'held', 'held']);
    expect(nextToSend(items)).toBeUndefined();
  });

  it('does not hold up the entries of other jobs', () => {
    const other = { ...reading('c', 12.4), job: '00000000-0000-4000-8000-000000000002' };
    expect(nextToSend(itemsOf(begun(reading('a', 12.6), other)))?.job).toBe(other.job);
  });

  it('given a vehicle it is sent whole, in the order it was entered', () => {
    const vehicle = { name: 'Slip car', plate: 'SC-1' };
    let items = itemsOf(
      reducer(begun(reading('a', 12.6), reading('b', 12.5)), OutboxActions.released({ job: JOB, vehicle })),
    );
    const sent: string[] = [];
    for (let item = nextToSend(items); item; item = nextToSend(items)) {
      sent.push(
        item.kind === 'new-job' ? item.body.vehicle.name : item.kind === 'reading' ? item.body.reading.id : '?',
      );
      items = items.filter(({ id }) => id !== item?.id);
    }
    expect(sent).toEqual(['Slip car', 'a', 'b']);
  });

  it('discarded it leaves nothing, and nothing else goes with it', () => {
    const other = { ...reading('c', 12.4), job: '00000000-0000-4000-8000-000000000002' };
    const after = reducer(begun(reading('a', 12.6), other), OutboxActions.heldDiscarded({ job: JOB }));
    expect(itemsOf(after).map(({ job }) => job)).toEqual([other.job]);
  });
});

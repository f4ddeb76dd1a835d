/** The route of the bench: what it lists, what it says, where it leads. */
import { TestBed } from '@angular/core/testing';
import type { JobView } from '@tetrad/contracts';
import type { Reading } from '@tetrad/core';
import { RouteList } from '../src/app/screens/bench/route/route-list';
import { stepNameOf } from '../src/app/screens/bench/route/step-key';
import { StepAtHand } from '../src/app/screens/bench/step-at-hand';
import { button, ground, openJob, rest, standingBed, subject, text, view } from './bench-fixtures';

beforeEach(standingBed);

async function route(job: JobView, chosen: Parameters<StepAtHand['goTo']>[0] | null = null) {
  openJob(job);
  if (chosen) TestBed.inject(StepAtHand).goTo(chosen);
  const fixture = TestBed.createComponent(RouteList);
  await fixture.whenStable();
  return { fixture, at: () => stepNameOf(TestBed.inject(StepAtHand).step()) };
}

it('folds what is not at hand, and keeps the four notes, what was read and what is next in context', async () => {
  const { fixture } = await route(view(subject([rest, ground])), 'resting-voltage');
  for (const words of ['Resting voltage', '12.64 V', 'Cranking voltage', 'Ripple', '2.90 V', 'next'])
    expect(text(fixture)).toContain(words);
  expect(text(fixture)).not.toContain('Inrush current');
  button(fixture, 'Starting').click();
  await fixture.whenStable();
  expect(text(fixture)).toContain('Inrush current');
});

it('says what a blocked step waits for', async () => {
  const { fixture } = await route(view(subject([{ ...rest, value: 12.0 }])), 'resting-voltage');
  expect(button(fixture, 'Load test').title).toContain('below 75 %: charge it first');
});

it('after the repair lists the same tests, before beside after', async () => {
  const after: Reading = { ...ground, id: 'h', value: 0.09, pass: 'after' };
  const job = view(subject([rest, ground, after]), { pass: 'after' });
  const { fixture, at } = await route(job, 'resting-voltage');
  const line = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((one) =>
    /2\.90 V\s*90 mV/.test(one.textContent!.replace(/\s+/g, ' ')),
  )!;
  line.click();
  expect(at()).toBe('drop-starter-ground');
});

it('of a pack shows every battery’s own reading and grade, the one read last not before the others', async () => {
  const each = [12.7, 11.9, 12.68].map((value, i): Reading => ({ ...rest, id: `b${i}`, value, battery: i + 1 }));
  const system = {
    nominalVolts: 12 as const,
    battery: { chemistry: 'flooded' as const, count: 3, arrangement: 'parallel' as const },
  };
  const { fixture } = await route(view(subject(each, { system })));
  const line = [...(fixture.nativeElement as HTMLElement).querySelectorAll('.step')].find((one) =>
    one.textContent!.includes('Resting voltage'),
  )!;
  const read = [...line.querySelectorAll('.one')].map((one) => one.textContent!.replace(/\s+/g, ' ').trim());
  expect(read).toEqual(['battery 1 12.70 V Within', 'battery 2 11.90 V Outside', 'battery 3 12.68 V Within']);
});

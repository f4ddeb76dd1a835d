/** The route of the bench. */
import { TestBed } from '@angular/core/testing';
import { assessCase, blockedSteps, judge, repeatsOf, survey } from '@tetrad/core';
import type { Case, NextStep, Reading, RouteStep } from '@tetrad/core';
import { BENCH_STEPS } from '../src/app/screens/bench/route/bench-steps';
import { RouteList } from '../src/app/screens/bench/route/route-list';
import { findStep, stepNameOf } from '../src/app/screens/bench/route/step-key';

import { subject, rest, ground, text, button, standingBed } from './bench-fixtures';

beforeEach(standingBed);

describe('the route', () => {
  async function route(
    given: Case,
    step: RouteStep,
    next: NextStep | null = null,
    pass: 'before' | 'after' = 'before',
  ) {
    const fixture = TestBed.createComponent(RouteList);
    const names = BENCH_STEPS.map(stepNameOf).filter((name) => name !== null);
    for (const [name, value] of Object.entries({
      step,
      subject: given,
      pass,
      assessments: assessCase(given),
      next,
      blocked: blockedSteps(survey(given).situation, names),
      repeats: repeatsOf(survey(given)),
    }))
      fixture.componentRef.setInput(name, value);
    const chosen: RouteStep[] = [];
    fixture.componentInstance.chosen.subscribe((entry) => chosen.push(entry));
    await fixture.whenStable();
    return { fixture, chosen };
  }

  it('folds what is not at hand, and keeps the four notes, what was read and what is next in sight', async () => {
    const next = judge(subject([rest, ground])).next[0]!;
    const { fixture } = await route(subject([rest, ground]), findStep('resting-voltage')!, next);
    for (const words of ['Resting voltage', '12.64 V', 'Cranking voltage', 'Ripple', '2.90 V', 'next'])
      expect(text(fixture)).toContain(words);
    expect(text(fixture)).not.toContain('Inrush current');
    button(fixture, 'Starting').click();
    await fixture.whenStable();
    expect(text(fixture)).toContain('Inrush current');
  });

  it('says what a blocked step waits for', async () => {
    const { fixture } = await route(subject([{ ...rest, value: 12.0 }]), findStep('resting-voltage')!);
    expect(button(fixture, 'Load test').title).toContain('below 75 %: charge it first');
  });

  it('after the repair lists the same tests, before beside after', async () => {
    const after: Reading = { ...ground, id: 'h', value: 0.09, pass: 'after' };
    const { fixture, chosen } = await route(
      subject([rest, ground, after]),
      findStep('resting-voltage')!,
      null,
      'after',
    );
    const line = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((one) =>
      /2\.90 V\s*90 mV/.test(one.textContent!.replace(/\s+/g, ' ')),
    )!;
    line.click();
    expect(chosen.map(stepNameOf)).toEqual(['drop-starter-ground']);
  });
});

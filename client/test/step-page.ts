/** The step panel of a job on the screen, and the hands that type into it. */
import { TestBed } from '@angular/core/testing';
import type { JobView } from '@tetrad/contracts';
import type { StepName } from '@tetrad/core';
import { stepNameOf } from '../src/app/screens/bench/route/step-key';
import { StepAtHand } from '../src/app/screens/bench/step-at-hand';
import { StepPanel } from '../src/app/screens/bench/step/step-panel';
import { openJob, queuedActs, text } from './bench-fixtures';

export const UNDERSTOOD = [{ caution: 'cranking', by: 'Ilse', at: '2026-03-02T09:30:00Z' }] as const;

export async function panel(name: StepName, job: JobView, loads?: 'on' | 'off') {
  const store = openJob(job);
  TestBed.inject(StepAtHand).goTo(name, loads);
  const fixture = TestBed.createComponent(StepPanel);
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  const boxes = () => [...host.querySelectorAll<HTMLInputElement>('.reading, .cell')];
  const type = async (typed: string, at = 0) => {
    const box = boxes()[at]!;
    box.value = typed;
    box.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  const send = async () => {
    (boxes()[0]?.form ?? host.querySelector('form')!).dispatchEvent(new Event('submit'));
    await fixture.whenStable();
  };
  const stored = () => queuedActs().flatMap((item) => (item.kind === 'reading' ? [item.body.reading] : []));
  const at = () => stepNameOf(TestBed.inject(StepAtHand).step());
  return { store, fixture, host, type, send, stored, boxes, at, said: () => text(fixture) };
}

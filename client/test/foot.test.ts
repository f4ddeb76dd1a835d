/** The foot of the bench: the profile, where the volts went, and the battery's health by each way. */
import { TestBed } from '@angular/core/testing';
import type { JobView } from '@tetrad/contracts';
import { judge } from '@tetrad/core';
import type { Reading } from '@tetrad/core';
import { Foot } from '../src/app/screens/bench/foot/foot';
import { WaysView } from '../src/app/screens/bench/foot/ways-view';
import { openJob, rest, standingBed, subject, text, view } from './bench-fixtures';

beforeEach(standingBed);

const conductance = (value: number): Reading => ({ id: `c${value}`, test: 'conductance', value });
const load: Reading = { id: 'l', test: 'load-test', value: 10.2, conditions: { amps: 280, seconds: 15 } };
const crank: Reading = {
  id: 'k',
  test: 'cranking-voltage',
  value: 10.7,
  conditions: { method: 'watched', seconds: 8 },
};
const draw: Reading = { id: 'd', test: 'starter-draw', value: 140 };
const given = (...readings: readonly Reading[]): JobView => {
  const of = subject(readings);
  return view(of, { judgement: judge(of) });
};

async function foot(job: JobView) {
  openJob(job);
  const fixture = TestBed.createComponent(Foot);
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  const views = () => [...host.querySelectorAll('.views p-togglebutton')].map((one) => one.textContent!.trim());
  return { fixture, host, views };
}

async function ways(job: JobView) {
  openJob(job);
  const fixture = TestBed.createComponent(WaysView);
  await fixture.whenStable();
  return { said: text(fixture), host: fixture.nativeElement as HTMLElement };
}

describe('the foot', () => {
  it('shows the profile alone while there is nothing else to see', async () => {
    const { host, views } = await foot(given(rest));
    expect(views()).toEqual([]);
    expect(host.querySelector('tt-profile')).not.toBeNull();
  });

  it('offers where the volts went once a crank was read, and the ways once health was measured', async () => {
    const { views } = await foot(given(rest, crank, draw, conductance(540)));
    expect(views()).toEqual(['Profile', 'Volts while starting', 'Battery, by each way']);
  });

  it('what was chosen is shown; another job begins with its profile again', async () => {
    const { fixture, host } = await foot(given(rest, crank, draw));
    const starting = [...host.querySelectorAll<HTMLElement>('.views p-togglebutton')].find((one) =>
      one.textContent!.includes('starting'),
    )!;
    starting.click();
    await fixture.whenStable();
    expect(host.querySelector('tt-volt-steps')).not.toBeNull();
    expect(text(fixture)).toContain('at rest');
    openJob({ ...given(rest, crank, draw), id: '00000000-0000-4000-8000-00000000000a' });
    await fixture.whenStable();
    expect(host.querySelector('tt-profile')).not.toBeNull();
  });
});

describe('the battery by each way', () => {
  it('says that one way alone is not sure', async () => {
    const { said } = await ways(given(rest, conductance(540)));
    expect(said).toContain('Conductance');
    expect(said).toContain('a second one makes it sure');
  });

  it('two that agree say so, each with what was read and how far it may be wrong', async () => {
    const { said, host } = await ways(given(rest, conductance(540), load));
    expect(said).toContain('They agree');
    const spoken = [...host.querySelectorAll('.scale')].map((one) => one.getAttribute('aria-label'));
    expect(spoken).toHaveLength(2);
    for (const one of spoken) expect(one).toMatch(/^\d+ % of its rating, between \d+ % and \d+ %$/);
  });

  it('two that disagree ask for a third', async () => {
    expect((await ways(given(rest, conductance(250), load))).said).toContain('measure it a third way');
  });

  it('a bar never leaves the scale, however good the battery is', async () => {
    const { host } = await ways(given(rest, conductance(3900)));
    const point = host.querySelector<HTMLElement>('.point')!;
    expect(parseFloat(point.style.left)).toBe(100);
  });

  it('gravity stands beside with its grade, without a share', async () => {
    const cells: Reading = { id: 'g', test: 'specific-gravity', value: [1.265, 1.262, 1.19, 1.264, 1.263, 1.266] };
    const { said } = await ways(given(rest, cells));
    expect(said).toContain('Gravity');
    expect(said).not.toContain('Holding');
  });
});

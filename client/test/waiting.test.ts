/** Timers and counts. */
import { TestBed } from '@angular/core/testing';
import { CountView } from '../src/app/waiting/count-view';
import { TimerChips } from '../src/app/waiting/timer-chips';
import { clockWords, runningCount, timerAt, waits } from '../src/app/waiting/timer-state';
import { NOW, timer, text, button, standingBed } from './bench-fixtures';

beforeEach(standingBed);

describe('timers', () => {
  it('of a crank the starter’s minute to cool follows by itself, and is then forgotten', () => {
    expect(waits([timer('crank', 10, 15)], NOW)).toEqual([]);
    expect(waits([timer('crank', 40, 15)], NOW)[0]!.timer.kind).toBe('cool-down');
    expect(waits([timer('crank', 76, 15)], NOW)).toEqual([]);
  });

  it('a count stays for a few seconds after its end, so that nobody misses what to do', () => {
    expect(runningCount([timer('crank', 17, 15)], NOW)?.state.over).toBe(true);
    expect(runningCount([timer('crank', 30, 15)], NOW)).toBeNull();
  });

  it.each([
    [9, '0:09'],
    [59.2, '1:00'],
    [3600, '1:00:00'],
    [7384, '2:03:04'],
  ])('%d s are shown as %s', (seconds, words) => {
    expect(clockWords(seconds)).toBe(words);
  });

  it('one that is over says what to do, leads there, and is put away', async () => {
    const fixture = TestBed.createComponent(TimerChips);
    fixture.componentRef.setInput('timers', [timer('settle', 200, 150), timer('charge', 60, 3600)]);
    const out: unknown[] = [];
    fixture.componentInstance.stopped.subscribe((id) => out.push(id));
    fixture.componentInstance.chosen.subscribe((step) => out.push(step));
    await fixture.whenStable();
    expect(text(fixture)).toContain('Settle is over. Read the resting voltage.');
    expect(text(fixture)).toContain('59:00');
    expect(document.title).toMatch(/^●/);
    button(fixture, 'Settle is over').click();
    button(fixture, 'Done').click();
    expect(out).toEqual(['resting-voltage', 'settle 200']);
  });

  it.each([
    [2, 'Ready', '3'],
    [6, 'Crank', '3'],
    [11, 'Keep cranking: read', '2'],
    [14, 'Stop', '1'],
  ])('%d s after the start the count says “%s” and shows %s', async (agoS, says, seconds) => {
    const fixture = TestBed.createComponent(CountView);
    fixture.componentRef.setInput('count', timerAt(timer('crank', agoS, 15), NOW));
    await fixture.whenStable();
    expect(text(fixture)).toContain(says);
    expect((fixture.nativeElement as HTMLElement).querySelector('.seconds')!.textContent).toBe(seconds);
  });
});

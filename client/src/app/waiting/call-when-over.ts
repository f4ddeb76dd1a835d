import type { Signal } from '@angular/core';
import { effect, inject } from '@angular/core';
import type { TimerView } from '@tetrad/contracts';
import { Clock } from '../device/clock';
import { Sound } from '../device/sound';
import { waits } from './timer-state';

const MARK = '● ';

/** A page in the background calls by its title. */
function markTitle(calls: boolean): void {
  const bare = document.title.replace(/^● ?/, '');
  const title = calls ? MARK + bare : bare;
  if (document.title !== title) document.title = title;
}

/** Sounds once for every wait that this device sees run out. Call it where injection is allowed. */
export function callWhenOver(timers: Signal<readonly TimerView[]>): void {
  const clock = inject(Clock);
  const sound = inject(Sound);
  const running = new Set<string>();
  effect(() => {
    const seen = timers();
    const now = seen.length === 0 ? [] : waits(seen, clock.ticking());
    markTitle(now.some(({ state }) => state.over));
    for (const { timer, state } of now) {
      if (!state.over) running.add(timer.id);
      else if (running.delete(timer.id)) sound.play('over');
    }
  });
}

import type { Signal } from '@angular/core';
import { effect, inject } from '@angular/core';
import type { TimerView } from '@tetrad/contracts';
import { Clock } from '../state/clock/clock';
import { Sound } from './sound';
import { waits } from './timer-state';

/** Sounds once for every wait that this device sees run out. Call it where injection is allowed. */
export function callWhenOver(timers: Signal<readonly TimerView[]>): void {
  const clock = inject(Clock);
  const sound = inject(Sound);
  const running = new Set<string>();
  effect(() => {
    const seen = timers();
    if (seen.length === 0) return;
    for (const { timer, state } of waits(seen, clock.ticking())) {
      if (!state.over) running.add(timer.id);
      else if (running.delete(timer.id)) sound.play('over');
    }
  });
}

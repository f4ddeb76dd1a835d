import { DestroyRef, inject } from '@angular/core';

/** Keeps the screen of this device awake while the caller is in the page, where the browser can. */
export function keepAwake(): void {
  let lock: WakeLockSentinel | null = null;
  let isOver = false;
  const ask = async (): Promise<void> => {
    if (!('wakeLock' in navigator) || document.hidden || isOver) return;
    // refused on a low battery, or by a browser that cannot: the count goes on all the same
    const given = await navigator.wakeLock.request('screen').catch(() => null);
    if (isOver) void given?.release();
    else lock = given;
  };
  // a page that was away has lost it
  const again = (): void => void ask();
  document.addEventListener('visibilitychange', again);
  void ask();
  inject(DestroyRef).onDestroy(() => {
    isOver = true;
    document.removeEventListener('visibilitychange', again);
    void lock?.release();
  });
}

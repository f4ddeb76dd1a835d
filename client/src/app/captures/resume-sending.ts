import { EnvironmentInjector, inject } from '@angular/core';

/** The first screen comes first, ms. */
const LATER_MS = 3000;

/** Sends what is kept from before, whichever screen is open; the code for it is loaded when the first screen is there. */
export function resumeSending(): void {
  const injector = inject(EnvironmentInjector);
  const resume = async (): Promise<void> => {
    const { CaptureSender } = await import('./capture-sender');
    injector.get(CaptureSender);
  };
  // without the network and without the code it is tried again with the next visit
  setTimeout(() => void resume().catch(() => undefined), LATER_MS);
}

/** Browser contexts that are kept for a worker: what a browser keeps of the application's files serves every test. */
import type { Browser, BrowserContext } from '@playwright/test';

export class KeptContexts {
  readonly #kept = new Map<boolean, Promise<BrowserContext>>();

  constructor(private readonly browser: Browser) {}

  /** The one for fingers, or the one for a mouse: nothing else of a context cannot be changed for a page. */
  for(hasTouch: boolean): Promise<BrowserContext> {
    const kept = this.#kept.get(hasTouch) ?? this.browser.newContext({ hasTouch, serviceWorkers: 'block' });
    this.#kept.set(hasTouch, kept);
    return kept;
  }

  /** Takes away what a test left: pages, everything its application stored, and contexts of its own. */
  async clear(origin: string): Promise<void> {
    const kept = await Promise.all(this.#kept.values());
    const others = this.browser.contexts().filter((context) => !kept.includes(context));
    await Promise.all(others.map((context) => context.close()));
    await Promise.all(kept.map((context) => clearContext(context, origin)));
  }
}

async function clearContext(context: BrowserContext, origin: string): Promise<void> {
  const left = context.pages();
  if (left.length === 0) return;
  const blank = await context.newPage();
  await Promise.all(left.map((page) => page.close()));
  const devTools = await context.newCDPSession(blank);
  await devTools.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
  await context.clearCookies();
  await context.clearPermissions();
  await blank.close();
}

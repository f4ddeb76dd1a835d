/** The worker of one practice visit; tests put their own in its place. */
export const practiceWorker = (): Worker =>
  new Worker(new URL('./practice.worker', import.meta.url), { type: 'module' });

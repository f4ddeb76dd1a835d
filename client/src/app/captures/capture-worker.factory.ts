/** The worker of one recording; tests put their own in its place. */
export const captureWorker = (): Worker => new Worker(new URL('./capture.worker', import.meta.url), { type: 'module' });

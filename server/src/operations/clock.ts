import type { Handlers } from '../platform/http/handlers';

/** What time it is here: devices count by this clock, not by their own. */
export const clockRoute = (): Handlers<'getClock'> => ({
  getClock: (_request, response) => {
    response.json({ now: Date.now() });
  },
});

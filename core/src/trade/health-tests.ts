/** The tests that measure how good a battery is, the quickest first. */
export const HEALTH_TESTS = ['conductance', 'load-test', 'internal-resistance'] as const;

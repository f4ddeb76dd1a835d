/** The route of the bench as the core tells it, flat. */
import { ROUTE } from '@tetrad/core';
import type { RouteStep } from '@tetrad/core';

export const BENCH_GROUPS = ROUTE;
export const BENCH_STEPS: readonly RouteStep[] = ROUTE.flatMap(({ steps }) => steps);

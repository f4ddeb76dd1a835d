/**
 * Who may see and change which jobs and vehicles: the one place that says it. Every route and every stream asks here, and
 * the database answers, so that lists and single rows follow the same rule.
 *
 * A person sees every job, or (without the permission) their own and those that nobody has. They see a vehicle where
 * they see a job of it, and may change it where they see all jobs of it.
 */
import type { Request } from 'express';
import { may } from '@tetrad/contracts';
import type { SignedIn } from './session-store';
import { whoOf } from './who';

/** Whose jobs somebody sees, beside those that nobody has: a person's name; null of everybody. */
export type Scope = string | null;

export const scopeOf = ({ role, name }: SignedIn): Scope => (may(role, 'see-all-jobs') ? null : name);
export const scopeOfRequest = (request: Request): Scope => scopeOf(whoOf(request));

/**
 * Whether a job is seen.
 *
 * @param job The name of the job's row in the statement.
 * @param scope The value that holds a `Scope`.
 */
export const seesJob = (job: string, scope: string): string =>
  `(${scope}::text IS NULL OR ${job}.assignee IS NULL OR ${job}.assignee = ${scope}::text)`;

const jobsOf = (vehicle: string): string =>
  `job jv WHERE jv.shop_id = ${vehicle}.shop_id AND jv.vehicle_id = ${vehicle}.vehicle_id`;

/** Whether a vehicle is seen: some job of it is. One without any job is seen by those who see everything. */
export const seesVehicle = (vehicle: string, scope: string): string =>
  `(${scope}::text IS NULL OR EXISTS (SELECT 1 FROM ${jobsOf(vehicle)} AND ${seesJob('jv', scope)}))`;

/** Whether a vehicle may be changed: no job of it is hidden. */
export const changesVehicle = (vehicle: string, scope: string): string =>
  `(${scope}::text IS NULL OR NOT EXISTS (SELECT 1 FROM ${jobsOf(vehicle)} AND NOT ${seesJob('jv', scope)}))`;

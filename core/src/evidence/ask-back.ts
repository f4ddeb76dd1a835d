/**
 * Figures that can be, and hardly are: a digit that got lost, a key that went to the wrong step. They are asked back
 * before they are saved, and stored as they are once somebody says so.
 */
import { FUSE_SPREAD, fuseAmps } from '../circuit/fuse-ohms';
import type { ReadingConditions } from '../format/conditions';
import type { Message } from '../format/message';
import { latest, unitVolts } from './case-context';
import type { GradedCase } from './case-context';
import { message } from './messages';
import { asOwnBattery } from './own-battery';

/** @returns what to ask before this figure is saved; null where there is nothing to ask. */
export type AskBack = (value: number, gradedCase: GradedCase, conditions: ReadingConditions) => Message | null;

/** Two meters differ by this (12 V); further over the resting volts no loaded battery is, V. */
const METERS_DIFFER_VOLTS = 0.1;
/** With the engine running the posts are not further under the resting volts than this (12 V), V. */
const RUNNING_UNDER_VOLTS = 3;
/** A battery that is more than dead (12 V), V. */
const HARDLY_A_BATTERY_VOLTS = 6;
/** A tester shows no more than this share of the rating, and no less than this. */
const RATING_SHARES = [0.05, 2] as const;
/** Nothing cranks faster, rpm. */
const FASTEST_RPM = 400;

/** Under load a battery has less than at rest. */
export const aboveResting: AskBack = (value, { resting, scale }) =>
  resting !== null && value > resting + METERS_DIFFER_VOLTS * scale
    ? message('ask-above-resting', { value, resting })
    : null;

/** An alternator that gives nothing leaves the battery its volts, or nearly. */
export const farUnderResting: AskBack = (value, { resting, scale }) =>
  resting !== null && value < resting - RUNNING_UNDER_VOLTS * scale
    ? message('ask-far-under-resting', { value, resting })
    : null;

export const hardlyABattery: AskBack = (value, { case: { system } }) =>
  value < (HARDLY_A_BATTERY_VOLTS * unitVolts(system)) / 12 ? message('ask-hardly-a-battery', { value }) : null;

/** Through one fuse flows no more than the whole drain, within what fuses of one rating differ by. */
export const moreThanTheDrain: AskBack = (value, gradedCase, { fuseRating, fuseType }) => {
  const whole = latest(gradedCase, 'parasitic-draw')?.value;
  if (whole === undefined || fuseRating === undefined) return null;
  const amps = fuseAmps(value, fuseRating, fuseType);
  return amps > Math.abs(whole) / (1 - FUSE_SPREAD) ? message('ask-more-than-drain', { amps, whole }) : null;
};

/** Amps of a tester beside the rating on the label. */
export const besideRating: AskBack = (value, { case: { system } }) => {
  const rated = system.battery.rating?.value;
  if (value <= 0) return message('ask-no-amps', { value });
  if (rated === undefined || (value >= rated * RATING_SHARES[0] && value <= rated * RATING_SHARES[1])) return null;
  return message('ask-beside-rating', { value, rated });
};

/** No battery has none. */
export const noOhms: AskBack = (value) => (value <= 0 ? message('ask-no-ohms', { value }) : null);

export const fasterThanAnyStarter: AskBack = (value) =>
  value > FASTEST_RPM ? message('ask-too-fast', { value }) : null;

/**
 * @param value What was entered, in the test's unit.
 * @param battery Which of a pack; absent for the pack as connected.
 * @param conditions Those that were entered with it.
 */
export const askedBackOf = (
  ask: AskBack | undefined,
  value: number,
  gradedCase: GradedCase,
  battery?: number,
  conditions: ReadingConditions = {},
): Message | null => ask?.(value, asOwnBattery(gradedCase, battery), conditions) ?? null;

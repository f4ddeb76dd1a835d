/** The charging circuit in its steady state: regulator, capability by speed, belt, cable and loads. */
import { PATHS } from '../paths';
import { emf } from './cranking-circuit';
import type { Vehicle } from './vehicle';

export interface Charging {
  /** At the posts, V. */
  readonly postVolts: number;
  /** At the alternator's output stud, V. */
  readonly studVolts: number;
  /** Output, A; into the battery, A. */
  readonly outputAmps: number;
  readonly batteryAmps: number;
  readonly fieldPercent: number;
}

/** Vehicle loads as a share of the alternator's rating. */
const LOAD_SHARE = { off: 0.16, on: 0.62, full: 1.25 } as const;
export type Loads = keyof typeof LOAD_SHARE;

const OUTPUT_PATH = [...PATHS['drop-charge-positive'].pieces, ...PATHS['drop-charge-ground'].pieces];
/** Resistance of a battery that takes or gives charge, over its cranking resistance. */
const CHARGE_RESISTANCE_RATIO = 4;

/** Share of its rating an alternator gives at an engine speed. */
const speedShare = (rpm: number): number => Math.max(0, Math.min(1, 0.45 + (rpm - 700) / 2400));

/** @param target Regulator's aim at the stud, V. @param loads Share of the rating that is asked. */
export function charge(vehicle: Vehicle, loads: Loads, rpm: number, target = vehicle.regulatorVolts): Charging {
  const open = emf(vehicle);
  const loadAmps = LOAD_SHARE[loads] * vehicle.ratedAmps;
  const inner = vehicle.batteryOhm * CHARGE_RESISTANCE_RATIO;
  const works = vehicle.excited && !vehicle.linkBlown;
  const able = works ? vehicle.alternatorShare * vehicle.beltShare * speedShare(rpm) * vehicle.ratedAmps : 0;
  const path = OUTPUT_PATH.reduce((sum, piece) => sum + vehicle.pieces[piece], 0);
  // What the battery takes at the regulator's aim; its acceptance falls as it fills.
  const wanted = (output: number): number => target - output * path;
  const acceptance = (volts: number): number =>
    Math.max(0, (volts - open) / inner) * (0.12 + 0.6 * (1 - vehicle.charge));
  let output = loadAmps;
  for (let i = 0; i < 20; i++) output = 0.5 * output + 0.5 * (loadAmps + acceptance(wanted(output)));
  const limited = output > able;
  const given = limited ? able : output;
  const short = loadAmps - given;
  const postVolts = limited
    ? short > 0
      ? open - short * vehicle.batteryOhm * 2.5 - 0.15 * vehicle.scale
      : Math.min(wanted(given), open + (given - loadAmps) * inner + 0.5 * vehicle.scale)
    : wanted(given);
  return {
    postVolts,
    studVolts: postVolts + given * path,
    outputAmps: given,
    batteryAmps: given - loadAmps,
    fieldPercent: limited ? 100 : Math.min(100, (100 * given) / Math.max(1, able)),
  };
}

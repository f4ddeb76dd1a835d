/** What hands do to a vehicle: the only way in. */
import type { Loads } from '../../circuit/model/charging-circuit';

export interface Controls {
  readonly key: 'off' | 'on' | 'start';
  /** The pump relay or fuse is in place: without it the engine cranks and does not fire. */
  readonly hasFuel: boolean;
  /** 0 idles, 1 is about 3,000 rpm. */
  readonly throttle: number;
  /** Electrical loads, while the key is on. */
  readonly loads: Loads;
  /** Headlamps, which work with the key off. */
  readonly lamps: boolean;
  /** A battery load across the posts, A. */
  readonly testerAmps: number;
  /** A charger on the posts: its limit, A, and the volts it holds; 0 A for none. */
  readonly chargerAmps: number;
  readonly chargerVolts: number;
}

export const AT_REST: Controls = {
  key: 'off',
  hasFuel: true,
  throttle: 0,
  loads: 'off',
  lamps: false,
  testerAmps: 0,
  chargerAmps: 0,
  chargerVolts: 14.4,
};

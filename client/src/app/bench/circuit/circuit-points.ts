/** Where the points of the circuit lie in the drawing, drawing units of 360 by 200. */
import type { ClampPlace, TestPoint } from '@tetrad/core';

type Place = readonly [x: number, y: number];

export const POINT_AT: Readonly<Record<TestPoint, Place>> = {
  'positive-post': [34, 84],
  'positive-clamp': [34, 66],
  'negative-post': [76, 84],
  'negative-clamp': [76, 66],
  'solenoid-battery': [160, 56],
  'solenoid-control': [180, 56],
  'solenoid-motor': [200, 76],
  'starter-case': [158, 118],
  'engine-block': [140, 156],
  body: [150, 188],
  'alternator-stud': [268, 78],
  'alternator-case': [292, 112],
  'alternator-sense': [245, 92],
  'module-plug': [332, 62],
};

export const CLAMP_AT: Readonly<Record<ClampPlace, Place>> = {
  'battery-cables': [34, 46],
  'alternator-output': [268, 46],
  'tester-lead': [34, 118],
};

/** The meter's sockets. */
export const METER_RED: Place = [30, 158];
export const METER_BLACK: Place = [64, 158];

/** Conductors by what flows through them. */
export const CONDUCTORS = {
  supply: 'M34 66V24H160V56',
  starter: 'M200 76V88H180V92',
  starterGround: 'M180 136V148',
  ground: 'M130 156H108V40H76V66',
  charge: 'M268 78V24H160',
  alternatorGround: 'M268 136V148',
  module: 'M268 24H332V54',
  body: 'M108 156V188',
} as const;

export const ALIVE: Readonly<Record<'none' | 'cranking' | 'charging' | 'load', readonly (keyof typeof CONDUCTORS)[]>> =
  {
    none: [],
    load: [],
    cranking: ['supply', 'starter', 'starterGround', 'ground'],
    charging: ['charge', 'supply', 'alternatorGround', 'ground'],
  };

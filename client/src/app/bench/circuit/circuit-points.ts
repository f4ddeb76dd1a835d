/** Where the points of the circuit lie in the drawing, drawing units of 360 by 200. */
import type { ClampPlace, Flow, TestPoint } from '@tetrad/core';

type Place = readonly [x: number, y: number];

/** A point of the circuit, and on which side of it its tag has room. */
export interface PointPlace {
  readonly at: Place;
  readonly tag: 'left' | 'right';
}

export const POINT_AT: Readonly<Record<TestPoint, PointPlace>> = {
  'positive-post': { at: [34, 84], tag: 'left' },
  'positive-clamp': { at: [34, 66], tag: 'left' },
  'negative-post': { at: [76, 84], tag: 'right' },
  'negative-clamp': { at: [76, 66], tag: 'right' },
  'solenoid-battery': { at: [160, 56], tag: 'right' },
  'solenoid-control': { at: [180, 56], tag: 'right' },
  'solenoid-motor': { at: [200, 76], tag: 'left' },
  'starter-case': { at: [158, 118], tag: 'left' },
  'engine-block': { at: [140, 156], tag: 'right' },
  body: { at: [150, 188], tag: 'right' },
  'alternator-stud': { at: [268, 78], tag: 'right' },
  'alternator-case': { at: [292, 112], tag: 'right' },
  'alternator-sense': { at: [245, 92], tag: 'right' },
  'module-plug': { at: [332, 62], tag: 'left' },
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

export const ALIVE: Readonly<Record<Flow, readonly (keyof typeof CONDUCTORS)[]>> = {
  none: [],
  load: [],
  cranking: ['supply', 'starter', 'starterGround', 'ground'],
  charging: ['charge', 'supply', 'alternatorGround', 'ground'],
};

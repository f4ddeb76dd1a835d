/** Where the points of the circuit lie in the drawing, drawing units of 340 by 288. */
import type { ClampPlace, Flow, TestPoint } from '@tetrad/core';

type Place = readonly [x: number, y: number];

/** A point of the circuit, and on which side of it its tag has room. */
export interface PointPlace {
  readonly at: Place;
  readonly tag: 'left' | 'right';
}

export const POINT_AT: Readonly<Record<TestPoint, PointPlace>> = {
  'positive-post': { at: [38, 118], tag: 'left' },
  'positive-clamp': { at: [38, 96], tag: 'left' },
  'negative-post': { at: [88, 118], tag: 'right' },
  'negative-clamp': { at: [88, 96], tag: 'right' },
  'solenoid-battery': { at: [172, 82], tag: 'right' },
  'solenoid-control': { at: [200, 82], tag: 'right' },
  'solenoid-motor': { at: [220, 112], tag: 'right' },
  'starter-case': { at: [162, 156], tag: 'left' },
  'engine-block': { at: [152, 218], tag: 'right' },
  body: { at: [156, 262], tag: 'right' },
  'alternator-stud': { at: [284, 128], tag: 'left' },
  'alternator-case': { at: [308, 170], tag: 'left' },
  'alternator-sense': { at: [258, 144], tag: 'left' },
  'module-plug': { at: [302, 74], tag: 'left' },
};

/** Where a clamp goes round its conductor, and where its tag has room. */
export interface ClampAt {
  readonly at: Place;
  readonly tag: Place;
  /** Between the two leads there is room for a small one only. */
  readonly isSmall?: true;
}
export const CLAMP_AT: Readonly<Record<ClampPlace, ClampAt>> = {
  'battery-cables': { at: [38, 66], tag: [70, 72] },
  'alternator-output': { at: [284, 92], tag: [316, 98] },
  'tester-lead': { at: [38, 212], tag: [51, 216], isSmall: true },
};

/** The meter's sockets. */
export const METER_RED: Place = [38, 234];
export const METER_BLACK: Place = [88, 234];

/** Conductors by what flows through them. */
export const CONDUCTORS = {
  supply: 'M38 96V34H172V82',
  starter: 'M220 112V122H190V128',
  starterGround: 'M190 184V208',
  ground: 'M140 218H124V56H88V96',
  charge: 'M284 128V34H172',
  alternatorGround: 'M284 184V208',
  module: 'M284 34H318V62',
  body: 'M124 218V262',
} as const;

export const ALIVE: Readonly<Record<Flow, readonly (keyof typeof CONDUCTORS)[]>> = {
  none: [],
  load: [],
  cranking: ['supply', 'starter', 'starterGround', 'ground'],
  charging: ['charge', 'supply', 'alternatorGround', 'ground'],
};

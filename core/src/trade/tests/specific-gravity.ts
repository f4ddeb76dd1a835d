import { cellSpread, voltsOfGravity } from '../../battery/gravity';
import { restingVoltsAt25 } from '../../battery/state-of-charge';
import { weightOf } from '../../criteria/weights';
import { limitOf } from '../../evidence/limit-of';
import { readingsOf } from '../../evidence/case-context';
import { causes, weighed } from '../../evidence/finding';
import { cannot, done, round } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** Cells of a 12 V battery. */
const CELLS = 6;
/** Gravity and volts may differ by this much (12 V) before one of them is wrong, V. */
const AGREE_VOLTS = 0.6;
/** A spread from which the cells themselves explain a difference to the volts. */
const EVEN_SPREAD = 0.05;

const phrases = {
  'gravity-against-volts': (w: { expected: number; resting: number }, voice: Voice) =>
    `Six cells at these gravities make ${voice.volts(w.expected)}, but ${voice.volts(w.resting)} was read at the posts: one of the two is wrong. Read both again.`,
  'gravity-differs': (w: { spread: number }, voice: Voice) =>
    `gravity differs by ${voice.plain(w.spread, 3)} between cells`,
};
const say = sayer(phrases);

export const specificGravity: Test = {
  ...POST_VOLTS,
  unit: 'SG',
  domain: [1, 1.4],
  usual: 1.26,
  scales: false,
  kind: 'list',
  name: 'Specific gravity',
  conditions: ['electrolyteCelsius'],
  direct: ['battery-dead-cell'],
  places: [
    {
      group: 'Battery',
      at: 6,
      how: 'Batteries with caps: each cell, the − post first.',
      asks: { electrolyteCelsius: null },
      ticks: ['plates-covered'],
      perBattery: true,
    },
  ],
  leads: null,
  step: {
    minutes: 6,
    place: 'posts',
    informs: informs(0.9, 'battery-dead-cell'),
    settles: 'Shows the state of each cell.',
    when: ({ case: { system } }) => system.battery.serviceable === true,
    cautions: ['acid'],
  },
  required: [{ by: ['overcharge'], when: ({ case: { system } }) => system.battery.serviceable === true }],
  keeps: [{ as: 'health', choice: 4, mustPass: true }],
  tellsOf: 'battery',
  voids: [
    ({ value }, { resting, case: { system } }) => {
      if (!Array.isArray(value) || value.length !== CELLS || resting === null) return null;
      const expected = voltsOfGravity(value);
      const differs = Math.abs(expected - restingVoltsAt25(resting, system.nominalVolts)) > AGREE_VOLTS;
      return cellSpread(value) < EVEN_SPREAD && differs ? say('gravity-against-volts', { expected, resting }) : null;
    },
  ],
  phrases,
  findings: ({ gradedCase }) => {
    const newest = new Map(
      readingsOf(gradedCase, 'specific-gravity')
        .filter(({ value }) => Array.isArray(value))
        .map((reading) => [reading.battery, reading]),
    );
    return [...newest.values()].map((reading) => {
      const spread = cellSpread(reading.value as readonly number[]);
      const limit = limitOf(gradedCase, reading)?.max ?? EVEN_SPREAD;
      return weighed('gravity-spread', spread / limit, {
        causes: causes('battery-dead-cell'),
        isDirect: true,
        atLeast: weightOf('gravity-at-least'),
        source: { reading: reading.id },
        says: say('gravity-differs', { spread }),
      });
    });
  },
};

export const specificGravityModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, random }) => {
    if (vehicle.system.battery.serviceable !== true) return cannot('no-access');
    const gravity = 1.12 + 0.145 * vehicle.charge;
    const count = Math.min(2 * CELLS, Math.max(CELLS / 2, Math.round(CELLS * vehicle.scale)));
    const bad = vehicle.deadCell ? Math.floor(random.between(0, count)) : -1;
    const cells = Array.from({ length: count }, (_, cell) =>
      round(gravity - (cell === bad ? random.between(0.06, 0.14) : 0) + random.normal(0, 0.004), 3),
    );
    return done(cells, { electrolyteCelsius: 27 });
  },
};

export const specificGravityGuide: TestGuide = {
  why: ['It reads every cell by itself, and leans on no label.'],
  spoils: [
    'Water added just before: mix it by charging first.',
    'No correction for temperature.',
    'Too little liquid in the hydrometer, or plates not covered.',
  ],
  means: ['All low and even: charge.', 'One cell far from the others: a bad cell.'],
};

import { limitOf } from '../../judge/grade/limit-of';
import { lostACell } from '../../judge/derive/charge';
import { latest } from '../../judge/situation';
import { causes, weighed } from '../../judge/weigh/finding';
import { done } from '../../simulation/bench';
import { emf } from '../../simulation/cranking-circuit';
import { sayer } from '../../words/phrases';
import type { Voice } from '../../words/phrases';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../points';
import { informs } from '../step';
import type { Test } from '../test';

const HOURS = 12;

const phrases = {
  'lost-standing': (w: { lost: number; hours?: number }, voice: Voice) =>
    `lost ${voice.volts(w.lost)} standing disconnected${w.hours === undefined ? '' : ` for ${voice.plain(w.hours, 0)} h`}`,
};
const say = sayer(phrases);

export const holdCharge: Test = {
  ...POST_VOLTS,
  name: 'Holds its charge',
  conditions: ['hours', 'startVolts'],
  isOnce: true,
  direct: ['battery-dead-cell', 'battery-worn'],
  places: [
    {
      group: 'Battery',
      at: 8,
      how: 'Charged, disconnected, left standing: what is left?',
      asks: { hours: null, startVolts: null },
      ticks: ['disconnected'],
      perBattery: true,
    },
  ],
  leads: atPosts('none'),
  step: {
    minutes: 30,
    place: 'standing',
    informs: informs(0.4, 'battery-dead-cell'),
    settles: 'Shows whether the battery loses its charge by itself.',
    cautions: ['disconnect'],
  },
  asked: () => ({ hours: HOURS }),
  known: ({ resting }) => (resting === null ? {} : { startVolts: resting }),
  phrases,
  findings: ({ situation }) => {
    const reading = latest(situation, 'hold-charge');
    const limit = reading && limitOf(situation, reading);
    if (!reading || !limit) return [];
    const lost = limit.value;
    const { hours } = reading.conditions ?? {};
    return [
      weighed('hold-loss', lost / limit.max, {
        causes: lostACell(situation) ? causes('battery-dead-cell') : causes('battery-dead-cell', ['battery-worn', 0.4]),
        source: { reading: reading.id },
        says: say('lost-standing', { lost, ...(hours !== undefined && { hours }) }),
      }),
    ];
  },
  simulated: ({ vehicle, random, volts }) => {
    const loss = vehicle.deadCell ? random.between(0.5, 1.5) : random.between(0, 0.06);
    return done(volts(emf(vehicle) - loss * vehicle.scale), { hours: HOURS, startVolts: volts(emf(vehicle)) });
  },
};

/** What is seen, heard and felt, and what the customer says: tables of weights. */
import { OBSERVATION_NAMES, SYMPTOMS } from '../../case/vocabulary';
import { observed } from '../situation';
import type { ObservationName, SymptomName } from '../../case/vocabulary';
import { causes } from './finding';
import { SLOW } from './starting-findings';
import type { Cause, Finding, FindingRule } from './finding';

interface Row {
  readonly causes: readonly Cause[];
  readonly weight: number;
}

const POSTS = causes('connection-positive-post', 'connection-negative-post');
const OBSERVED: Readonly<Partial<Record<ObservationName, Readonly<Record<string, readonly Row[]>>>>> = {
  terminals: {
    corroded: [{ causes: POSTS, weight: 1.2 }],
    loose: [{ causes: POSTS, weight: 1.5 }],
    clean: [{ causes: POSTS, weight: -0.7 }],
  },
  'battery-case': { loose: [{ causes: POSTS, weight: 0.6 }] },
  electrolyte: { low: [{ causes: causes('battery-worn', 'regulator-high'), weight: 0.5 }] },
  belt: {
    good: [{ causes: causes('belt-slip'), weight: -3.5 }],
    glazed: [{ causes: causes('belt-slip'), weight: 2.2 }],
    loose: [{ causes: causes('belt-slip'), weight: 2.4 }],
    missing: [{ causes: causes('belt-slip'), weight: 6 }],
  },
  'charge-lamp': {
    dead: [{ causes: causes('charge-control'), weight: 1.5 }],
    'on-running': [
      {
        causes: causes(
          'alternator-dead',
          'alternator-weak',
          'alternator-diode',
          'belt-slip',
          'charge-control',
          'charge-cable-positive',
          'charge-cable-ground',
        ),
        weight: 1.5,
      },
    ],
    works: [{ causes: causes('charge-control'), weight: -0.8 }],
  },
  'alternator-noise': {
    noisy: [{ causes: causes('alternator-weak', 'accessory-seized', 'alternator-diode'), weight: 0.5 }],
  },
  'crank-by-hand': {
    turns: [{ causes: causes('engine-drag', 'accessory-seized'), weight: -3 }],
    tight: [
      { causes: causes('engine-drag', 'accessory-seized'), weight: 3 },
      { causes: causes('starter-dragging'), weight: -2 },
    ],
    locked: [{ causes: causes('engine-drag', 'accessory-seized', ['starter-dragging', 0.4]), weight: 3.2 }],
  },
  'belt-removed-crank': {
    freed: [
      { causes: causes('accessory-seized'), weight: 5.5 },
      { causes: causes('engine-drag', 'starter-dragging'), weight: -3 },
    ],
    unchanged: [{ causes: causes('accessory-seized'), weight: -4 }],
  },
  'plugs-removed-crank': {
    freed: [
      { causes: causes('engine-drag'), weight: 2.5 },
      { causes: causes('starter-dragging'), weight: -3 },
    ],
    unchanged: [
      { causes: causes('starter-dragging'), weight: 1 },
      { causes: causes('engine-drag'), weight: -1 },
    ],
  },
  'ground-strap': {
    damaged: [{ causes: causes('cable-starter-ground', 'charge-cable-ground'), weight: 2 }],
    sound: [{ causes: causes('cable-starter-ground', 'charge-cable-ground'), weight: -0.5 }],
  },
  'fusible-link': {
    blown: [{ causes: causes('charge-cable-positive'), weight: 4.5 }],
    sound: [{ causes: causes('charge-cable-positive'), weight: -0.7 }],
  },
};

/** The newest finding of each observation: seen twice is not seen double. */
export const observationFindings: FindingRule = (situation) =>
  OBSERVATION_NAMES.flatMap((about) => {
    const finding = observed(situation, about);
    const rows = finding === undefined ? [] : (OBSERVED[about]?.[finding] ?? []);
    return rows.map((row): Finding => ({
      ...row,
      source: { observation: about },
      says: () => `${about.replaceAll('-', ' ')}: ${finding!.replaceAll('-', ' ')}`,
    }));
  });

const CHARGING = causes(
  'alternator-dead',
  'alternator-weak',
  'belt-slip',
  'charge-control',
  'charge-cable-positive',
  'charge-cable-ground',
  ['alternator-diode', 0.7],
);
const SYMPTOM: Readonly<Record<SymptomName, readonly Row[]>> = {
  'slow-crank': [{ causes: SLOW, weight: 3 }],
  'no-crank-silent': [
    {
      causes: causes(
        'starter-control',
        'solenoid-contacts',
        'cable-starter-positive',
        'cable-starter-ground',
        'starter-worn',
        'connection-positive-post',
        'connection-negative-post',
        ['battery-discharged', 0.4],
      ),
      weight: 2.2,
    },
  ],
  'no-crank-single-click': [
    {
      causes: causes(
        'solenoid-contacts',
        'connection-positive-post',
        'connection-negative-post',
        'cable-starter-positive',
        'cable-starter-ground',
        'starter-worn',
        'starter-dragging',
        'engine-drag',
        'accessory-seized',
        ['battery-dead-cell', 0.5],
        ['battery-discharged', 0.5],
      ),
      weight: 2,
    },
    { causes: causes('starter-control'), weight: -1.5 },
  ],
  'no-crank-rapid-clicks': [
    {
      causes: causes(
        'battery-discharged',
        'battery-dead-cell',
        'battery-worn',
        ['connection-positive-post', 0.7],
        ['connection-negative-post', 0.7],
      ),
      weight: 2,
    },
  ],
  'spins-without-cranking': [{ causes: causes('starter-drive'), weight: 4.5 }],
  'cranks-normally': [
    { causes: SLOW, weight: -0.5 },
    { causes: causes('starter-control', 'starter-drive'), weight: -3 },
  ],
  'lamps-dim-on-crank': [
    {
      causes: causes(
        'battery-worn',
        'battery-discharged',
        'battery-dead-cell',
        'starter-dragging',
        'engine-drag',
        'accessory-seized',
        ['connection-positive-post', 0.5],
        ['connection-negative-post', 0.5],
      ),
      weight: 0.8,
    },
  ],
  'resets-on-crank': [
    {
      causes: causes(
        'battery-worn',
        'battery-dead-cell',
        'battery-discharged',
        'connection-positive-post',
        'connection-negative-post',
      ),
      weight: 0.8,
    },
  ],
  'charge-lamp': [{ causes: CHARGING, weight: 2.5 }],
  'goes-flat': [
    {
      causes: causes(
        'parasitic-drain',
        'battery-worn',
        'battery-dead-cell',
        'alternator-weak',
        'alternator-dead',
        'belt-slip',
        'charge-cable-positive',
        'charge-cable-ground',
        'battery-discharged',
        ['alternator-diode', 0.5],
        ['charge-control', 0.7],
      ),
      weight: 1.8,
    },
  ],
  'dim-at-idle': [{ causes: CHARGING, weight: 1.2 }],
  'bright-lamps': [{ causes: causes('regulator-high'), weight: 3 }],
  'radio-whine': [{ causes: causes('alternator-diode'), weight: 2.2 }],
  'battery-smell': [{ causes: causes('regulator-high', 'battery-dead-cell'), weight: 2 }],
  'belt-squeal': [{ causes: causes('belt-slip', ['accessory-seized', 0.3]), weight: 2 }],
};

export const symptomFindings: FindingRule = ({ case: { complaint } }) =>
  [...new Set(complaint?.symptoms)].flatMap((symptom) =>
    SYMPTOM[symptom].map((row): Finding => ({
      causes: row.causes,
      weight: row.weight,
      source: { symptom },
      says: () => `complaint: ${SYMPTOMS[symptom].toLowerCase()}`,
    })),
  );

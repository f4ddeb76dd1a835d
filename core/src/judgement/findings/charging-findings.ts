import type { Reading } from '../../case/case-shape';
import { formatQuantity, formatShare } from '../../quantities/format';
import { limitsOf } from '../../criteria/limits-of';
import { showValue } from '../assess';
import { applies, resolveLimit } from '../resolve-limit';
import { isNumeric, latest } from '../situation';
import type { NumericReading, Situation } from '../situation';
import { causes, weigh } from './finding';
import type { Finding, FindingRule } from './finding';

const NO_OUTPUT = causes(
  'alternator-dead',
  'charge-control',
  ['belt-slip', 0.25],
  ['charge-cable-positive', 0.5],
  ['charge-cable-ground', 0.5],
  ['alternator-weak', 0.3],
);
const LOW_OUTPUT = causes(
  'alternator-weak',
  ['alternator-diode', 0.5],
  ['belt-slip', 0.9],
  ['charge-cable-positive', 0.8],
  ['charge-cable-ground', 0.8],
  ['alternator-dead', 0.2],
  ['charge-control', 0.15],
);

const HIGH = causes('regulator-high');
const SILENT = causes('alternator-dead', 'charge-control');
const DIODE = causes('alternator-diode');
const CONTROL = causes('charge-control');
const DRAIN = causes('parasitic-drain');
/** The same without the paths: a path that loses volts takes nothing from the output. */
const WEAK = LOW_OUTPUT.filter(({ fault }) => !fault.startsWith('charge-cable'));
const PATHS = causes('charge-cable-positive', 'charge-cable-ground');

const newest = (situation: Situation, loads: 'on' | 'off'): NumericReading | undefined =>
  situation.readings
    .filter((reading) => reading.test === 'charging-voltage' && (reading.conditions?.loads ?? 'off') === loads)
    .filter(isNumeric)
    .at(-1);

/** Distance of a charging voltage under and over its window, V per 12 V; null where no window applies. */
function offWindow(reading: NumericReading, situation: Situation): { under: number; over: number } | null {
  const limit = limitsOf(situation.criteria, reading.test).find((entry) => applies(entry, reading, situation));
  const resolved = limit && resolveLimit(limit, reading, situation);
  if (!resolved) return null;
  return {
    under: (resolved.min - reading.value) / situation.scale,
    over: (reading.value - resolved.max) / situation.scale,
  };
}

export const chargingFindings: FindingRule = (situation) => [
  ...unloaded(newest(situation, 'off'), situation),
  ...loaded(newest(situation, 'on'), situation),
];

function unloaded(reading: NumericReading | undefined, situation: Situation): Finding[] {
  if (!reading) return [];
  const off = offWindow(reading, situation) ?? uncommanded(reading, situation);
  const source = { reading: reading.id };
  const says = (): string => `${showValue(reading)} charging, loads off`;
  const dead = weigh(off.under, { sound: [-0.55, 0.35], faulty: [1.3, 0.55] });
  const rest = situation.resting ?? 12.6 * situation.scale;
  const notCharging = reading.value <= rest + 0.15 * situation.scale;
  const findings: Finding[] = [
    {
      causes: HIGH,
      weight: weigh(off.over, { sound: [-0.4, 0.25], faulty: [0.9, 0.45] }),
      source,
      says,
    },
  ];
  if (notCharging)
    findings.push({
      causes: NO_OUTPUT,
      weight: Math.max(dead, 3),
      source,
      says: () => `${says()}: it is not charging`,
    });
  else if (off.under > 0)
    findings.push({
      causes: [...LOW_OUTPUT, ...causes('charge-control')],
      weight: Math.max(1, weigh(off.under, { sound: [-0.55, 0.3], faulty: [0.5, 0.3] })),
      source,
      says,
    });
  else
    findings.push(
      { causes: SILENT, weight: -4.5, source, says },
      {
        causes: causes('alternator-weak', 'belt-slip', 'charge-cable-positive', 'charge-cable-ground'),
        weight: -0.4,
        source,
        says,
      },
    );
  return findings;
}

/** A commanded target that was not read: only the extremes tell anything. */
const uncommanded = (reading: NumericReading, { scale }: Situation): { under: number; over: number } => ({
  under: 12.5 - reading.value / scale,
  over: reading.value / scale - 15,
});

function loaded(reading: NumericReading | undefined, situation: Situation): Finding[] {
  if (!reading) return [];
  const off = offWindow(reading, situation) ?? uncommanded(reading, situation);
  const source = { reading: reading.id };
  const says = (): string => `${showValue(reading)} charging, loads on`;
  if (off.under <= 0)
    return [
      { causes: WEAK, weight: -2, source, says },
      { causes: PATHS, weight: -0.5, source, says },
      { causes: SILENT, weight: -3, source, says },
    ];
  const unloadedReading = newest(situation, 'off');
  const heldUnloaded = unloadedReading && (offWindow(unloadedReading, situation)?.under ?? 0) <= 0;
  const weight = Math.max(0.8, weigh(off.under, { sound: [-0.4, 0.25], faulty: [0.8, 0.4] }));
  return [
    {
      causes: heldUnloaded || !unloadedReading ? LOW_OUTPUT : NO_OUTPUT,
      weight: unloadedReading && !heldUnloaded ? weight * 0.3 : weight,
      source,
      says,
    },
  ];
}

export const rippleFindings: FindingRule = (situation) => {
  const ac = latest(situation, 'ripple-ac');
  const wave = latest(situation, 'ripple-waveform');
  const findings: Finding[] = [];
  if (ac) {
    const ln = Math.log((ac.value / situation.scale + 0.005) / 0.05);
    findings.push({
      causes: DIODE,
      weight: Math.max(wave ? -2 : -3, weigh(ln, { sound: [0, 0.5], faulty: [2.3, 0.5] })),
      source: { reading: ac.id },
      says: () => `${showValue(ac)} of ripple`,
    });
  }
  if (wave) {
    const missing = wave.conditions?.humpsMissing;
    const weight =
      missing === undefined
        ? weigh(Math.log((wave.value / situation.scale + 0.01) / 0.15), { sound: [0, 0.5], faulty: [2, 0.6] })
        : missing >= 1
          ? 4.5
          : -3;
    findings.push({
      causes: DIODE,
      weight,
      source: { reading: wave.id },
      says: () => (missing === undefined ? `${showValue(wave)} peak to peak` : `${missing} of six humps missing`),
    });
  }
  return findings;
};

export const diodeFindings: FindingRule = (situation) => {
  const check = (test: 'diode-forward' | 'diode-reverse', good: (reading: Reading) => boolean): Finding[] => {
    const reading = situation.readings.filter((entry) => entry.test === test && entry.value !== null).at(-1);
    if (!reading) return [];
    const sound = good(reading);
    return [
      {
        causes: DIODE,
        weight: sound ? -1 : 4,
        source: { reading: reading.id },
        says: () => `diode check ${showValue(reading)}, ${sound ? 'as it should be' : 'as it should not be'}`,
      },
    ];
  };
  return [
    ...check('diode-forward', ({ value }) => typeof value === 'number' && value > 0.15 && value < 1.4),
    ...check('diode-reverse', ({ value }) => value === 'OL'),
  ];
};

/** Output counts only where the alternator was pulled to its limit; else it is what the vehicle asked for. */
export const outputFindings: FindingRule = (situation) => {
  const reading = latest(situation, 'alternator-current');
  const rated = situation.case.system.alternator?.ratedAmps;
  if (!reading || rated === undefined) return [];
  const share = reading.value / rated;
  const limit = limitsOf(situation.criteria, reading.test).find((entry) => applies(entry, reading, situation));
  const capability = limit ? resolveLimit(limit, reading, situation) : null;
  const source = { reading: reading.id };
  const says = (): string => `${showValue(reading)} of ${formatQuantity(rated, 'A')} rated`;
  if (share >= 0.75) return [{ causes: [...WEAK, ...causes('charge-control')], weight: -2.5, source, says }];
  if (!capability) return [];
  if (share < 0.06)
    return [
      { causes: NO_OUTPUT, weight: 3, source, says },
      { causes: causes('alternator-weak', 'alternator-diode'), weight: -1, source, says },
    ];
  return [
    {
      causes: causes('alternator-weak', ['alternator-diode', 0.7], ['belt-slip', 0.9]),
      weight: weigh(share, { sound: [0.95, 0.07], faulty: [0.5, 0.15] }),
      source,
      says: () => `${says()} at its limit`,
    },
    { causes: SILENT, weight: -4, source, says: () => `${says()}: it does work` },
  ];
};

export const supplyFindings: FindingRule = (situation) => {
  const findings: Finding[] = [];
  const stud = latest(situation, 'alternator-stud-voltage');
  if (stud && situation.resting !== null) {
    const missing = (situation.resting - stud.value) / situation.scale;
    findings.push({
      causes: causes('charge-cable-positive'),
      weight: missing > 3 ? 5 : missing > 0.3 ? 1.5 : -0.3,
      source: { reading: stud.id },
      says: () => `${showValue(stud)} at the stud, engine off`,
    });
  }
  const excitation = latest(situation, 'excitation-voltage');
  if (excitation) {
    const share = excitation.value / (situation.resting ?? 12.5 * situation.scale);
    findings.push({
      causes: CONTROL,
      weight: weigh(share, { sound: [0.96, 0.05], faulty: [0.3, 0.3] }),
      source: { reading: excitation.id },
      says: () => `${showValue(excitation)} of excitation, key on`,
    });
  }
  const duty = latest(situation, 'field-duty');
  const volts = latest(situation, 'charging-voltage');
  if (duty && volts && volts.value < 13.3 * situation.scale)
    findings.push(
      duty.value >= 90
        ? {
            causes: CONTROL,
            weight: -3,
            source: { reading: duty.id },
            says: () => `the field is commanded to ${formatShare(duty.value / 100)}`,
          }
        : {
            causes: CONTROL,
            weight: duty.value < 20 ? 2.5 : 0.3,
            source: { reading: duty.id },
            says: () => `the field is commanded to only ${formatShare(duty.value / 100)}`,
          },
    );
  const net = latest(situation, 'battery-current');
  if (net && (net.conditions?.minutesAfterStart ?? 0) >= 2 && net.value > 12)
    findings.push({
      causes: causes('battery-discharged', 'battery-dead-cell', ['battery-worn', 0.3]),
      weight: 0.8,
      source: { reading: net.id },
      says: () => `${showValue(net)} still flow into the battery`,
    });
  return findings;
};

export const drainFindings: FindingRule = (situation) => {
  const reading = latest(situation, 'parasitic-draw');
  if (!reading) return [];
  const ln = Math.log((Math.abs(reading.value) + 0.002) / 0.03);
  return [
    {
      causes: DRAIN,
      weight: weigh(ln, { sound: [0, 0.45], faulty: [2.6, 0.9] }),
      source: { reading: reading.id },
      says: () => `${showValue(reading)} flow with everything off`,
    },
  ];
};

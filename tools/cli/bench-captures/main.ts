/** How right captures are taken apart: simulated starts of all kinds against what was true in the model. */
import { SimulatedVisit, TESTING_SPREAD, randomOf, recorded, startRecord } from '@tetrad/core';
import type { Random, StartRecord } from '@tetrad/core';
import { analyzeRecording } from '@tetrad/core/capture';
import type { Capture, Recording } from '@tetrad/core/capture';

const STARTS = 600;
const FAULTS = [
  'none',
  'none',
  'none',
  'battery-worn',
  'battery-discharged',
  'cable-starter-ground',
  'alternator-dead',
  'solenoid-contacts',
] as const;
const RATES_HZ = [1000, 2000, 5000, 10_000, 20_000, 50_000] as const;
/** A ceiling this near to the peak cuts nothing that could be seen. */
const CUTS_BELOW = 0.97;
/** Slower than this the engine stands, and has no compressions. */
const TURNS_FROM_RPM = 60;
/** From this rate on the humps of an idling alternator can be told apart. */
const HUMPS_FROM_HZ = 5000;

/** One line of the table: how often it held. */
class Tally {
  held = 0;
  asked = 0;
  note(holds: boolean): void {
    this.asked++;
    if (holds) this.held++;
  }
}
const tallies = new Map<string, Tally>();
function note(name: string, holds: boolean): void {
  const tally = tallies.get(name) ?? new Tally();
  tallies.set(name, tally);
  tally.note(holds);
}

const near = (value: number | null, truth: number, share: number): boolean =>
  value !== null && Math.abs(value - truth) <= share * Math.abs(truth);

function draw(seed: number, random: Random) {
  const { vehicle } = new SimulatedVisit({
    faults: [random.pick(FAULTS)],
    severity: random.between(0, 0.9),
    seed,
    spread: TESTING_SPREAD,
  });
  const cylinders = vehicle.system.engine?.cylinders ?? 4;
  const weak = random.chance(0.3)
    ? { index: 1 + Math.floor(random.between(0, cylinders)), share: random.between(0.3, 0.7) }
    : null;
  const diode = random.chance(0.5) ? ('sound' as const) : random.pick(['open', 'shorted'] as const);
  const record = startRecord(vehicle, {
    sampleRateHz: random.pick(RATES_HZ),
    restS: random.between(0.3, 2),
    keyOnS: random.between(0.2, 2),
    crankS: random.between(2.4, 5),
    afterS: random.between(3, 7),
    fires: random.chance(0.8),
    diode,
    ...(weak && { weakCylinder: weak }),
  });
  const ceilingAmps =
    random.chance(0.15) && record.truth.sustained ? record.truth.sustained.amps * random.between(0.5, 1.3) : Infinity;
  const reversed = random.chance(0.15);
  const seen = recorded(record, random, {
    noiseVolts: random.between(0.002, 0.02),
    noiseAmps: random.between(0.3, 2),
    stepVolts: random.pick([0.001, 0.01, 0.04]),
    reversed,
    ceilingAmps,
  });
  return { record: seen, cylinders, weak, diode, reversed, ceilingAmps };
}

/** The clamp's channel without a unit: its scale must be recognised. */
const unnamed = ({ volts, amps, sampleRateHz }: StartRecord, factor: number): Recording => ({
  source: 'csv',
  sampleRateHz,
  samples: volts.length,
  channels: [
    { name: 'A', unit: 'V', column: 2, samples: volts },
    { name: 'B', unit: '', column: 3, samples: amps.map((value) => value * factor) },
  ],
  gaps: [],
  truncated: false,
  clampMillivoltsPerAmp: null,
});

const valueOf = ({ readings }: Capture, test: string): number | null =>
  readings.find((reading) => reading.test === test)?.value ?? null;

for (let seed = 1; seed <= STARTS; seed++) {
  const random = randomOf(seed * 7919);
  const { record, cylinders, weak, diode, reversed, ceilingAmps } = draw(seed, random);
  const { truth, sampleRateHz } = record;
  const found = analyzeRecording(unnamed(record, random.pick([1, 0.1, 0.01, 0.001])), { cylinders });
  const has = (name: string): boolean => found.findings.some(({ finding }) => finding === name);
  note('resting volts within 1 %', near(valueOf(found, 'resting-voltage'), truth.restVolts, 0.01));
  if (!truth.inrush || !truth.sustained) continue;
  const isCut = ceilingAmps < truth.inrush.amps * CUTS_BELOW;
  const turns = truth.sustained.rpm > TURNS_FROM_RPM;
  note('inrush volts within 1 %', near(valueOf(found, 'inrush-voltage'), truth.inrush.volts, 0.01));
  note('sustained volts within 1 %', near(valueOf(found, 'cranking-voltage'), truth.sustained.volts, 0.01));
  note(isCut ? 'saturated clamp found' : 'sound clamp left alone', has('clamp-saturated') === isCut);
  note('clamp’s arrow told right', has('clamp-reversed') === reversed);
  if (!isCut) {
    note('inrush amps within 2 %, scale recognised', near(valueOf(found, 'inrush-current'), truth.inrush.amps, 0.02));
    note(
      'sustained amps within 2 %, scale recognised',
      near(valueOf(found, 'starter-draw'), truth.sustained.amps, 0.02),
    );
  }
  if (!turns) continue;
  note('rpm within 2 %', near(valueOf(found, 'cranking-speed'), truth.sustained.rpm, 0.02));
  if (weak && !isCut) {
    note('weak cylinder found', has('weak-cylinder'));
    if (has('weak-cylinder'))
      note(
        'and counted right from the first compression',
        found.findings.some(
          ({ finding, with: figures }) => finding === 'weak-cylinder' && figures['index'] === weak.index,
        ),
      );
  }
  if (!weak) note('even engine left alone', !has('weak-cylinder'));
  note('whether it fired told right', has('did-not-start') === !truth.ran);
  note('whether it charges told right', has('not-charging') === (truth.ran && !truth.charging));
  if (!truth.charging || sampleRateHz < HUMPS_FROM_HZ) continue;
  if (diode === 'sound') note('sound diodes left alone', !has('diode-open') && !has('diode-shorted'));
  else note(`${diode} diode found`, has(`diode-${diode}`));
}

console.log(
  [
    `${STARTS} simulated starts at ${RATES_HZ[0]} to ${RATES_HZ.at(-1)} samples a second, with noise, steps, ceilings and arrows; the clamp’s scale was not told.`,
    '',
    '| what | held | of |',
    '| --- | --- | --- |',
    ...[...tallies].map(([name, { held, asked }]) => `| ${name} | ${((100 * held) / asked).toFixed(1)} % | ${asked} |`),
  ].join('\n'),
);

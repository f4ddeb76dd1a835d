import { convertRating } from '../battery/rating';
import type { System } from '../format/case-shape';
import { CHEMISTRIES } from '../format/words';
import type { NominalVolts } from '../format/words';
import { BALANCED } from '../criteria/schools';
import { coldDemand, expectedDraw } from '../criteria/expected-draw';
import { soundPieceOhms } from '../circuit/model/vehicle';
import type { Vehicle } from '../circuit/model/vehicle';
import { PIECE_NAMES } from '../circuit/paths';
import type { PieceName } from '../circuit/paths';
import type { Random } from '../circuit/model/random';
import type { Spread } from '../circuit/model/spread';

const LITRES = { petrol: [0.35, 0.6], diesel: [0.45, 0.7] } as const;

/** A piece that loses more than this many times what it usually loses is not sound any more. */
const WORST_SOUND_PIECE = 2;
/** A sound battery passes its load test: at most this many volts per CCA, of the 6.0 that the test allows. */
const WORST_SOUND_VOLTS_PER_CCA = 5;

/** What comes into a workshop. */
export interface VehicleKind {
  readonly fuel: 'petrol' | 'diesel';
  readonly nominalVolts: NominalVolts;
  /** Batteries side by side; one where absent. */
  readonly inParallel?: 2 | 3;
}

/** Mostly 12 V petrol, some diesels and trucks, now and then an old 6 V. */
function anyKind(random: Random): VehicleKind {
  const fuel = random.chance(0.35) ? 'diesel' : 'petrol';
  const nominalVolts = random.chance(0.88) ? 12 : fuel === 'diesel' ? 24 : random.chance(0.5) ? 6 : 12;
  return { fuel, nominalVolts };
}

function arrangementOf(nominalVolts: NominalVolts, inParallel: number) {
  if (inParallel > 1) return { count: inParallel, arrangement: 'parallel' } as const;
  return nominalVolts === 24
    ? ({ count: 2, arrangement: 'series' } as const)
    : ({ count: 1, arrangement: 'single' } as const);
}

/** Draws a sound vehicle. @param kind Its fuel and volts; drawn where absent. */
export function soundVehicle(random: Random, spread: Spread, kind?: VehicleKind): Vehicle {
  const { fuel, nominalVolts, inParallel = 1 } = kind ?? anyKind(random);
  const cylinders = random.pick(fuel === 'diesel' ? [4, 4, 6] : [3, 4, 4, 4, 6, 8]);
  const [low, high] = LITRES[fuel];
  const displacementLitres = Number((cylinders * random.between(low, high)).toFixed(1));
  const scale = nominalVolts / 12;
  const celsius = Math.round(random.normal(...spread.celsius));
  const chemistry = random.pick(CHEMISTRIES);
  const bare: System = { nominalVolts, engine: { cylinders, fuel, displacementLitres }, battery: { chemistry } };
  const typical = expectedDraw(bare, BALANCED.expectedDraw, 21);
  const usualAmps = typical.min + (typical.max - typical.min) * random.between(0.2, 0.75);
  const cca = Math.round((usualAmps * (fuel === 'diesel' ? random.between(1.9, 2.6) : random.between(3, 5))) / 20) * 20;
  const standard = random.pick(['SAE', 'SAE', 'EN', 'DIN'] as const);
  const isSpecified = random.chance(0.4);
  const ratedAmps = Math.round(random.between(70, 190) / 10) * 10;
  const system: System = {
    ...bare,
    battery: {
      chemistry,
      serviceable: chemistry === 'flooded' && random.chance(0.6),
      ...arrangementOf(nominalVolts, inParallel),
      // the label is of one battery
      rating: { value: Math.round(convertRating({ value: cca, standard: 'SAE' }, standard)! / inParallel), standard },
      capacityAh: Math.round(cca / random.between(8.5, 11.5) / inParallel),
    },
    alternator: { ratedAmps, regulation: random.chance(0.25) ? 'commanded' : 'fixed' },
    ...(isSpecified && {
      specified: { starterDrawAmps: { min: Math.round(usualAmps * 0.8), max: Math.round(usualAmps * 1.2) } },
    }),
  };
  const pieces = Object.fromEntries(
    PIECE_NAMES.map((piece) => [
      piece,
      soundPieceOhms(piece, { usualAmps, ratedAmps, scale }) *
        Math.min(WORST_SOUND_PIECE, spread.pathFactor * random.factor(spread.pathSd)),
    ]),
  ) as Record<PieceName, number>;
  const health = random.between(...spread.soundHealth);
  const cold = coldDemand(celsius);
  const rpm = random.between(...spread.crankRpm) * (fuel === 'diesel' ? 0.9 : 1);
  const motorVolts = 10.6 * scale;
  const motorOhm = motorVolts / (usualAmps * random.between(...spread.stallRatio));
  return {
    system,
    celsius,
    scale,
    cca,
    charge: random.between(0.84, 1),
    health,
    deadCell: false,
    batteryOhm:
      (Math.min(WORST_SOUND_VOLTS_PER_CCA * health, spread.batteryVoltsPerCca * random.factor(spread.batterySd)) *
        scale) /
      cca,
    pieces,
    motorOhm,
    voltsPerRpm: (motorVolts - usualAmps * motorOhm) / rpm,
    loadAmps: usualAmps * cold * (1 - spread.viscousShare),
    soundLoadAmps: usualAmps * cold * (1 - spread.viscousShare),
    ampsPerRpm: (usualAmps * cold * spread.viscousShare) / rpm,
    dragAmps: 0,
    driveEngages: true,
    controlVolts: 0,
    openSignal: null,
    isMotorOpen: false,
    locked: false,
    isJammed: false,
    alternatorShare: random.between(0.9, 1.05),
    regulatorVolts:
      (14.2 + Math.max(-0.25, Math.min(0.4, 0.01 * (25 - celsius))) + random.normal(0, spread.regulatorSd)) * scale,
    excited: true,
    rippleVolts: random.between(...spread.rippleVolts) * scale,
    humpsMissing: 0,
    diodeShorted: false,
    beltShare: 1,
    accessorySeized: false,
    linkBlown: false,
    drainAmps: random.between(0.008, 0.045),
    usualAmps,
    usualRpm: rpm,
    ratedAmps,
  };
}

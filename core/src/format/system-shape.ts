/** The label: the electrical system as its documents and its parts say. */
import { LABEL_FIGURES } from './label-figures';
import { day, flag, object, word } from './shape';
import type { Shape } from './shape';
import { ARRANGEMENTS, CHEMISTRIES, FUELS, NOMINAL_VOLTS, RATING_STANDARDS, REGULATIONS } from './words';

const rangeOf = (shape: Shape<number>) => object({}, { min: shape, max: shape });

const rating = object({ value: LABEL_FIGURES.ratingAmps, standard: word(RATING_STANDARDS) }, { confirmed: flag() });

const battery = object(
  { chemistry: word(CHEMISTRIES) },
  {
    serviceable: flag(),
    count: LABEL_FIGURES.count,
    arrangement: word(ARRANGEMENTS),
    rating,
    capacityAh: LABEL_FIGURES.capacityAh,
    installed: day(),
  },
);

export const system = object(
  { nominalVolts: word(NOMINAL_VOLTS), battery },
  {
    engine: object(
      {},
      { cylinders: LABEL_FIGURES.cylinders, fuel: word(FUELS), displacementLitres: LABEL_FIGURES.displacementLitres },
    ),
    alternator: object(
      {},
      { ratedAmps: LABEL_FIGURES.alternatorAmps, regulation: word(REGULATIONS), senseWire: flag() },
    ),
    specified: object(
      {},
      {
        starterDrawAmps: rangeOf(LABEL_FIGURES.drawAmps),
        chargingVolts: rangeOf(LABEL_FIGURES.volts),
        crankingVolts: rangeOf(LABEL_FIGURES.volts),
      },
    ),
  },
);

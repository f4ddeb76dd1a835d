import { LABEL_FIGURES } from '@tetrad/core';
import type { FigureChoice } from '@tetrad/core';
import type { FigureRule } from '../kit/forms/figure';
import { celsiusOf } from './typed-celsius';

/** A temperature in the unit the person chose. */
export const celsiusRule = (choice: FigureChoice): FigureRule => ({
  shape: LABEL_FIGURES.celsius,
  unit: '°C',
  parse: (typed) => celsiusOf(typed, choice),
});

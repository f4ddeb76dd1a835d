import 'reflect-metadata';
import { IsIn, IsOptional } from 'class-validator';
import { PLAIN_FIGURES } from '@tetrad/core';
import type { FigureChoice } from '@tetrad/core';

const oneOf = <const T extends readonly string[]>(words: T) => ({
  words,
  says: { message: `one of ${words.join(', ')}` },
});
const DECIMALS = oneOf(['point', 'comma']);
const TEMPERATURES = oneOf(['C', 'F']);
const SMALL_VOLTS = oneOf(['mV', 'V']);

/** How figures are wanted in what is asked for: the query of a report. */
export class FigureQuery implements Partial<FigureChoice> {
  @IsOptional()
  @IsIn(DECIMALS.words, DECIMALS.says)
  decimal?: FigureChoice['decimal'];

  @IsOptional()
  @IsIn(TEMPERATURES.words, TEMPERATURES.says)
  temperature?: FigureChoice['temperature'];

  @IsOptional()
  @IsIn(SMALL_VOLTS.words, SMALL_VOLTS.says)
  smallVolts?: FigureChoice['smallVolts'];
}

/** The choice a query makes; what it leaves out is as files have it. */
export const figuresOf = ({ decimal, temperature, smallVolts }: FigureQuery): FigureChoice => ({
  decimal: decimal ?? PLAIN_FIGURES.decimal,
  temperature: temperature ?? PLAIN_FIGURES.temperature,
  smallVolts: smallVolts ?? PLAIN_FIGURES.smallVolts,
});

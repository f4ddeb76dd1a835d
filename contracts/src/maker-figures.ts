import 'reflect-metadata';
import { IsString, Length, MaxLength } from 'class-validator';
import { caseParts, makerFigureRowsShape } from '@tetrad/core';
import type { System } from '@tetrad/core';
import { Fits } from './fits';

const NAME = { message: 'an engine or model, 1 to 80 characters' };
const SOURCE = { message: 'text of at most 200 characters' };
/** Unknown fields are kept up to this many characters of JSON in a whole table. */
const MAX_UNKNOWN = 64_000;

/** The body that keeps what a maker says of an engine or a model, and where it says so. */
export class MakerFigures {
  /** Words that stand in the names of such vehicles: “2.0 diesel”. */
  @IsString(NAME)
  @Length(1, 80, NAME)
  name!: string;

  /** Where it is from: a manual with its page, a plate. */
  @IsString(SOURCE)
  @MaxLength(200, SOURCE)
  source!: string;

  /** Battery, engine, alternator, and the figures of starter, cranking and charging. */
  @Fits(caseParts.system)
  system!: System;
}

/** The body that brings in a whole table: a known name is changed, another one is added. */
export class ImportMakerFigures {
  // one shape for all of them: a thousand nested bodies would hold the server up
  @Fits(makerFigureRowsShape, MAX_UNKNOWN)
  rows!: readonly MakerFigures[];
}

export interface MakerFiguresView {
  readonly id: string;
  readonly name: string;
  readonly source: string;
  readonly system: System;
  readonly by: string;
  readonly at: string;
}

/** What an import did. */
export interface ImportedFiguresView {
  readonly added: number;
  readonly changed: number;
  readonly same: number;
}

import 'reflect-metadata';
import { IsBoolean, IsIn, IsOptional, IsString, IsUUID, Length } from 'class-validator';
import { INSTRUMENT_KINDS, findingsShape, uncertaintyShape } from '@tetrad/core';
import type { CheckFindings, InstrumentKind, Uncertainty } from '@tetrad/core';
import { Fits } from './fits';

const NAME = { message: 'a name of 1 to 80 characters' };

/** The body that adds an instrument of the shop, or changes it: the id is the sender's. */
export class InstrumentBody {
  @IsString(NAME)
  @Length(1, 80, NAME)
  name!: string;

  @IsIn(INSTRUMENT_KINDS, { message: `one of ${INSTRUMENT_KINDS.join(', ')}` })
  kind!: InstrumentKind;

  /** How far it may be wrong, by the unit it reads. */
  @Fits(uncertaintyShape)
  uncertainty!: Uncertainty;

  /** No longer used: it stays with the readings it took, and is not offered. */
  @IsOptional()
  @IsBoolean({ message: 'true or false' })
  retired?: boolean;
}

/** The body that tells how an instrument did in its daily check. */
export class NewCheck {
  @IsUUID('all', { message: 'a UUID' })
  id!: string;

  @Fits(findingsShape)
  findings!: CheckFindings;
}

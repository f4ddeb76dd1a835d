import 'reflect-metadata';
import {
  IsBoolean,
  IsIn,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateIf,
} from 'class-validator';
import { INSTRUMENT_KINDS, findingsShape, instrumentAddress, uncertaintyShape } from '@tetrad/core';
import type { CheckFindings, InstrumentKind, Uncertainty } from '@tetrad/core';
import { Fits } from './fits';

const MAX_ADDRESS = 120;
const ADDRESS = { message: 'an address such as tcp://192.168.1.20:5025, or nothing' };
const SCALE = { message: 'millivolts for each ampere, 0.01 to 1000; 1, 10 and 100 are common' };
const IsInstrumentAddress = () =>
  ValidateBy({
    name: 'isInstrumentAddress',
    validator: {
      validate: (value: unknown) => typeof value === 'string' && instrumentAddress(value) !== null,
      defaultMessage: () => ADDRESS.message,
    },
  });

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

  /** Where it is read live; empty or absent for one that is read by eye. */
  @IsOptional()
  @ValidateIf(({ address }: InstrumentBody) => address !== '')
  @IsString(ADDRESS)
  @MaxLength(MAX_ADDRESS, ADDRESS)
  @IsInstrumentAddress()
  address?: string;

  /** Of a clamp that gives volts: its scale. */
  @IsOptional()
  @IsNumber({}, SCALE)
  @Min(0.01, SCALE)
  @Max(1000, SCALE)
  millivoltsPerAmp?: number;

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

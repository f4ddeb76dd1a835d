import type { InstrumentKind } from '../trade/instruments';
import type { InstrumentFunction } from './instrument-functions';

const METER: readonly InstrumentFunction[] = ['volts-dc', 'volts-ac', 'diode'];

/** What each kind of instrument can be read live for. */
export const KIND_FUNCTIONS: Readonly<Record<InstrumentKind, readonly InstrumentFunction[]>> = {
  meter: METER,
  clamp: ['amps-dc'],
  'meter-and-clamp': [...METER, 'amps-dc'],
  'battery-tester': ['conductance', 'battery-ohms'],
  scope: [],
  'vehicle-data': ['module-volts', 'charging-target', 'engine-speed', 'field-duty'],
  hydrometer: [],
};

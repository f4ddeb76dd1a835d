/** What an instrument is asked for, and which tests need it: the commands of docs/instruments.md. */
import type { ConditionName } from '../format/conditions';
import type { TestName } from '../format/names';

interface FunctionRow {
  readonly name: string;
  readonly unit: 'V' | 'A' | 'ohm' | '%' | 'rpm';
  /** Sent once, before it is read. */
  readonly configure: string | null;
  /** Asked again and again. */
  readonly query: string;
}

export const INSTRUMENT_FUNCTIONS = {
  'volts-dc': { name: 'DC volts', unit: 'V', configure: 'CONF:VOLT:DC', query: 'READ?' },
  'volts-ac': { name: 'AC volts', unit: 'V', configure: 'CONF:VOLT:AC', query: 'READ?' },
  'amps-dc': { name: 'DC amps', unit: 'A', configure: 'CONF:CURR:DC', query: 'READ?' },
  diode: { name: 'Diode check', unit: 'V', configure: 'CONF:DIOD', query: 'READ?' },
  conductance: { name: 'Conductance', unit: 'A', configure: 'CONF:COND', query: 'READ?' },
  'battery-ohms': { name: 'Battery resistance', unit: 'ohm', configure: 'CONF:COND', query: 'FETC:RES?' },
  'module-volts': { name: 'Module voltage', unit: 'V', configure: null, query: 'VEH:VOLT?' },
  'charging-target': { name: 'Commanded charging voltage', unit: 'V', configure: null, query: 'VEH:CHAR:TARG?' },
  'engine-speed': { name: 'Engine speed', unit: 'rpm', configure: null, query: 'VEH:RPM?' },
  'field-duty': { name: 'Field duty', unit: '%', configure: null, query: 'VEH:CHAR:DUTY?' },
} as const satisfies Readonly<Record<string, FunctionRow>>;
export type InstrumentFunction = keyof typeof INSTRUMENT_FUNCTIONS;
export const INSTRUMENT_FUNCTION_NAMES = Object.keys(INSTRUMENT_FUNCTIONS) as readonly InstrumentFunction[];

/** Tests that need another function than their unit says. */
const BY_TEST: Readonly<Partial<Record<TestName, InstrumentFunction>>> = {
  'ripple-ac': 'volts-ac',
  conductance: 'conductance',
  'internal-resistance': 'battery-ohms',
  'diode-forward': 'diode',
  'diode-reverse': 'diode',
  'module-voltage': 'module-volts',
  'field-duty': 'field-duty',
  'cranking-speed': 'engine-speed',
};
/** What no meter shows as one figure: taken from a recording. */
const FROM_RECORDING: ReadonlySet<TestName> = new Set(['ripple-waveform', 'inrush-voltage', 'inrush-current']);

/** What is read beside the value, by another instrument at the same moment. */
const BY_CONDITION = {
  amps: 'amps-dc',
  rpm: 'engine-speed',
  commandedVolts: 'charging-target',
  // the volts at the post, from which the difference to the module follows
  offsetVolts: 'volts-dc',
} as const satisfies Partial<Record<ConditionName, InstrumentFunction>>;
export type LiveCondition = keyof typeof BY_CONDITION;
export const LIVE_CONDITIONS = Object.keys(BY_CONDITION) as readonly LiveCondition[];

/** The function that reads a condition live. */
export const functionOfCondition = (condition: LiveCondition): InstrumentFunction => BY_CONDITION[condition];

/** The function that reads a test live; null where none does. @param unit The test's own unit. */
export function functionOf(test: TestName, unit: string): InstrumentFunction | null {
  if (FROM_RECORDING.has(test)) return null;
  const own = BY_TEST[test];
  if (own) return own;
  return unit === 'V' ? 'volts-dc' : unit === 'A' ? 'amps-dc' : null;
}

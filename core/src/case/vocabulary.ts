/**
 * The words of the open case format, as tables: every test with its unit, physical domain and the
 * conditions it may carry, every observation with its findings, every symptom, fault and part.
 *
 * Types, validation, JSON Schema, entry forms and the judge all read these tables; a new test is a
 * row here. The rows follow `docs/case-format.md`.
 */

/** What a test's value is made of. */
export type ValueKind = 'number' | 'list' | 'number-or-OL';

/** One row of the test table. */
export interface TestRow {
  /** Name in plain trade English. */
  readonly name: string;
  /** Unit of the value as files hold it. */
  readonly unit: 'V' | 'A' | 'ohm' | 'rpm' | '%' | 'SG';
  /** Lowest and highest value that physics allows; volts are per 12 V nominal when `scales`. */
  readonly min: number;
  readonly max: number;
  /** True where the domain (and every limit) is proportional to nominal volts. */
  readonly scales: boolean;
  readonly kind: ValueKind;
  readonly conditions: readonly ConditionName[];
}

/** Conditions a reading may carry, with type, unit and domain. */
export const CONDITIONS = {
  surfaceChargeRemoved: { type: 'flag', name: 'Surface charge removed' },
  minutesSinceCharge: { type: 'number', name: 'Minutes since charge', unit: 'min', min: 0, max: 1e6 },
  amps: { type: 'number', name: 'Current', unit: 'A', min: 0, max: 5000 },
  seconds: { type: 'number', name: 'Duration', unit: 's', min: 0, max: 3600 },
  attempt: { type: 'number', name: 'Attempt', unit: '', min: 1, max: 99 },
  chargedBefore: { type: 'flag', name: 'Fully charged before' },
  electrolyteCelsius: { type: 'number', name: 'Electrolyte', unit: '°C', min: -60, max: 90 },
  volts: { type: 'number', name: 'Charger voltage', unit: 'V', min: 0, max: 60 },
  minutes: { type: 'number', name: 'Minutes', unit: 'min', min: 0, max: 1e5 },
  hours: { type: 'number', name: 'Hours standing', unit: 'h', min: 0, max: 1e5 },
  startVolts: { type: 'number', name: 'Voltage at the start', unit: 'V', min: 0, max: 60 },
  method: { type: 'word', name: 'Method', words: ['watched', 'min-max', 'fast-peak', 'scope'] },
  clampCeilingAmps: { type: 'number', name: 'Clamp ceiling', unit: 'A', min: 0, max: 1e4 },
  zeroOffsetAmps: { type: 'number', name: 'Clamp zero offset', unit: 'A', min: -1000, max: 1000 },
  secondsAfter: { type: 'number', name: 'Seconds after', unit: 's', min: 0, max: 3600 },
  rpm: { type: 'number', name: 'Engine speed', unit: 'rpm', min: 0, max: 12000 },
  loads: { type: 'word', name: 'Loads', words: ['off', 'on'] },
  minutesAfterStart: { type: 'number', name: 'Minutes after start', unit: 'min', min: 0, max: 1e5 },
  commandedVolts: { type: 'number', name: 'Commanded target', unit: 'V', min: 0, max: 60 },
  systemVolts: { type: 'number', name: 'System voltage', unit: 'V', min: 0, max: 60 },
  fieldPercent: { type: 'number', name: 'Field command', unit: '%', min: 0, max: 100 },
  at: { type: 'word', name: 'Measured at', words: ['battery', 'alternator'] },
  humpsMissing: { type: 'number', name: 'Humps missing of six', unit: '', min: 0, max: 6 },
  minutesAsleep: { type: 'number', name: 'Minutes asleep', unit: 'min', min: 0, max: 1e5 },
  offsetVolts: { type: 'number', name: 'Difference to the post', unit: 'V', min: -5, max: 5 },
} as const satisfies Record<string, ConditionRow>;

/** One row of the condition table. */
export type ConditionRow =
  | { readonly type: 'flag'; readonly name: string }
  | {
      readonly type: 'number';
      readonly name: string;
      readonly unit: string;
      readonly min: number;
      readonly max: number;
    }
  | { readonly type: 'word'; readonly name: string; readonly words: readonly string[] };

export type ConditionName = keyof typeof CONDITIONS;

type Domain = readonly [min: number, max: number];

const volts = (name: string, [min, max]: Domain, ...conditions: ConditionName[]): TestRow => ({
  name,
  unit: 'V',
  min,
  max,
  scales: true,
  kind: 'number',
  conditions,
});
const amps = (name: string, [min, max]: Domain, ...conditions: ConditionName[]): TestRow => ({
  ...volts(name, [min, max], ...conditions),
  unit: 'A',
  scales: false,
});
const POSTS: Domain = [0, 20];
const DROP: Domain = [-16, 16];

const rows = {
  'resting-voltage': volts('Resting voltage', POSTS, 'surfaceChargeRemoved', 'minutesSinceCharge'),
  'load-test': volts('Load test', POSTS, 'amps', 'seconds', 'attempt', 'chargedBefore'),
  conductance: amps('Conductance', [0, 4000]),
  'internal-resistance': { ...amps('Internal resistance', [0, 1]), unit: 'ohm' },
  'specific-gravity': { ...amps('Specific gravity', [1, 1.4], 'electrolyteCelsius'), unit: 'SG', kind: 'list' },
  'charge-acceptance': amps('Charge acceptance', [0, 500], 'volts', 'minutes'),
  'hold-charge': volts('Holds its charge', POSTS, 'hours', 'startVolts'),
  'cranking-voltage': volts('Cranking voltage', POSTS, 'method', 'seconds', 'attempt'),
  'inrush-voltage': volts('Inrush voltage', POSTS, 'method'),
  'inrush-current': amps('Inrush current', [0, 5000], 'method'),
  'starter-draw': amps('Starter draw', [0, 3000], 'clampCeilingAmps', 'zeroOffsetAmps'),
  'cranking-speed': { ...amps('Cranking speed', [0, 1000]), unit: 'rpm' },
  'recovery-voltage': volts('Recovery voltage', POSTS, 'secondsAfter'),
  'drop-positive-post': volts('Drop, positive post to clamp', DROP, 'amps'),
  'drop-negative-post': volts('Drop, negative post to clamp', DROP, 'amps'),
  'drop-starter-positive': volts('Drop, battery + to starter motor', DROP, 'amps'),
  'drop-solenoid': volts('Drop across the solenoid contacts', DROP, 'amps'),
  'drop-starter-ground': volts('Drop, starter case to battery −', DROP, 'amps'),
  'drop-engine-ground': volts('Drop, engine block to battery −', DROP, 'amps'),
  'drop-body-ground': volts('Drop, body to battery −', DROP, 'amps'),
  'starter-control-voltage': volts('Starter control voltage', POSTS),
  'charging-voltage': volts('Charging voltage', POSTS, 'rpm', 'loads', 'minutesAfterStart', 'commandedVolts'),
  'alternator-current': amps('Alternator current', [-50, 1000], 'rpm', 'loads', 'systemVolts', 'fieldPercent'),
  'battery-current': amps('Battery current, net', [-500, 500], 'minutesAfterStart'),
  'drop-charge-positive': volts('Drop, alternator B+ to battery +', DROP, 'amps'),
  'drop-charge-ground': volts('Drop, alternator case to battery −', DROP, 'amps'),
  'alternator-stud-voltage': volts('Alternator stud voltage, engine off', POSTS),
  'excitation-voltage': volts('Excitation voltage, key on', POSTS),
  'field-duty': { ...amps('Field duty', [0, 100], 'loads'), unit: '%' },
  'ripple-ac': volts('Ripple', [0, 15], 'rpm', 'loads', 'at'),
  'ripple-waveform': volts('Ripple waveform', [0, 30], 'humpsMissing', 'at'),
  'diode-forward': { ...volts('Diode check, forward', [0, 4]), scales: false, kind: 'number-or-OL' },
  'diode-reverse': { ...volts('Diode check, reverse', [0, 4]), scales: false, kind: 'number-or-OL' },
  'parasitic-draw': amps('Parasitic draw', [-1, 100], 'minutesAsleep'),
  'module-voltage': volts('Module voltage', POSTS, 'offsetVolts'),
} as const satisfies Record<string, TestRow>;

export type TestName = keyof typeof rows;

/** Every test of the format. */
export const TESTS: Readonly<Record<TestName, TestRow>> = rows;
export const TEST_NAMES = Object.keys(TESTS) as readonly TestName[];

/** The four notes of the profile, in the order they are measured. */
export const FOUR_NOTES = ['resting-voltage', 'cranking-voltage', 'charging-voltage', 'ripple-ac'] as const;
export type NoteName = (typeof FOUR_NOTES)[number];

/** What may be observed, and the words for what was found. */
export const OBSERVATIONS = {
  terminals: ['clean', 'corroded', 'loose'],
  'battery-case': ['sound', 'cracked', 'swollen', 'frozen', 'loose'],
  electrolyte: ['covered', 'low'],
  belt: ['good', 'glazed', 'loose', 'missing'],
  'charge-lamp': ['works', 'dead', 'on-running'],
  'alternator-noise': ['quiet', 'noisy'],
  'crank-by-hand': ['turns', 'tight', 'locked'],
  'belt-removed-crank': ['unchanged', 'freed'],
  'plugs-removed-crank': ['unchanged', 'freed'],
  'ground-strap': ['sound', 'damaged'],
  'fusible-link': ['sound', 'blown'],
} as const;
export type ObservationName = keyof typeof OBSERVATIONS;
export const OBSERVATION_NAMES = Object.keys(OBSERVATIONS) as readonly ObservationName[];

/** Symptoms as customers and technicians say them. */
export const SYMPTOMS = {
  'slow-crank': 'Cranks slowly',
  'no-crank-silent': 'No crank, silent',
  'no-crank-single-click': 'No crank, one click',
  'no-crank-rapid-clicks': 'No crank, rapid clicks',
  'spins-without-cranking': 'Starter spins, engine does not',
  'cranks-normally': 'Cranks at normal speed',
  'lamps-dim-on-crank': 'Lamps dim on crank',
  'resets-on-crank': 'Clock or radio resets on crank',
  'charge-lamp': 'Battery lamp is on',
  'goes-flat': 'Goes flat standing',
  'dim-at-idle': 'Lamps dim at idle',
  'bright-lamps': 'Lamps too bright',
  'radio-whine': 'Whine in the radio',
  'battery-smell': 'Battery smells or is swollen',
  'belt-squeal': 'Belt squeals',
} as const;
export type SymptomName = keyof typeof SYMPTOMS;
export const SYMPTOM_NAMES = Object.keys(SYMPTOMS) as readonly SymptomName[];

export const FUELS = ['petrol', 'diesel'] as const;
export const CHEMISTRIES = ['flooded', 'efb', 'agm', 'gel', 'tppl'] as const;
export type Chemistry = (typeof CHEMISTRIES)[number];
export const RATING_STANDARDS = ['SAE', 'EN', 'DIN', 'IEC', 'CA', 'JIS'] as const;
export type RatingStandard = (typeof RATING_STANDARDS)[number];
export const ARRANGEMENTS = ['single', 'parallel', 'series'] as const;
export const REGULATIONS = ['fixed', 'commanded'] as const;
export const NOMINAL_VOLTS = [6, 12, 24] as const;
export type NominalVolts = (typeof NOMINAL_VOLTS)[number];
export const PASSES = ['before', 'after'] as const;
export type Pass = (typeof PASSES)[number];
export const NOT_POSSIBLE = ['did-not-crank', 'did-not-start', 'no-access', 'no-equipment', 'other'] as const;

export const GRADES = ['within', 'near', 'outside', 'void', 'noted'] as const;
export type Grade = (typeof GRADES)[number];
export const VERDICTS = ['keep', 'replace', 'repair', 'charge-first', 'not-proven'] as const;
export type Verdict = (typeof VERDICTS)[number];
export const ACTIONS = ['replace', 'repair', 'charge-first', 'test-next', 'none-found', 'stop'] as const;
export type Action = (typeof ACTIONS)[number];

/** The four parts that carry a verdict. */
export const JUDGED_PARTS = ['battery', 'starter', 'alternator', 'connections'] as const;
export type JudgedPart = (typeof JUDGED_PARTS)[number];
/** Every part a decision may name. */
export const PARTS = [...JUDGED_PARTS, 'control', 'belt', 'mechanical', 'drain'] as const;
export type Part = (typeof PARTS)[number];

/** Every fault, the part it belongs to, and its name for people. */
export const FAULTS = {
  'battery-discharged': { part: 'battery', name: 'battery discharged' },
  'battery-worn': { part: 'battery', name: 'battery worn' },
  'battery-dead-cell': { part: 'battery', name: 'dead battery cell' },
  'connection-positive-post': { part: 'connections', name: 'bad connection at the positive post' },
  'connection-negative-post': { part: 'connections', name: 'bad connection at the negative post' },
  'cable-starter-positive': { part: 'connections', name: 'bad positive cable to the starter' },
  'cable-starter-ground': { part: 'connections', name: 'bad ground between starter and battery' },
  'solenoid-contacts': { part: 'starter', name: 'burnt solenoid contacts' },
  'starter-control': { part: 'control', name: 'starter control circuit open' },
  'starter-worn': { part: 'starter', name: 'starter worn' },
  'starter-dragging': { part: 'starter', name: 'starter dragging' },
  'starter-drive': { part: 'starter', name: 'starter drive spins free' },
  'engine-drag': { part: 'mechanical', name: 'engine hard to turn' },
  'accessory-seized': { part: 'mechanical', name: 'belt-driven accessory seized' },
  'alternator-dead': { part: 'alternator', name: 'alternator gives no output' },
  'alternator-weak': { part: 'alternator', name: 'alternator weak' },
  'alternator-diode': { part: 'alternator', name: 'alternator diode bad' },
  'regulator-high': { part: 'alternator', name: 'regulator set too high' },
  'belt-slip': { part: 'belt', name: 'belt slipping' },
  'charge-cable-positive': { part: 'connections', name: 'bad charging cable' },
  'charge-cable-ground': { part: 'connections', name: 'bad alternator ground' },
  'charge-control': { part: 'control', name: 'alternator excitation or command missing' },
  'parasitic-drain': { part: 'drain', name: 'drain while parked' },
  none: { part: null, name: 'no fault in this system' },
} as const satisfies Record<string, { part: Part | null; name: string }>;
export type FaultName = keyof typeof FAULTS;
export const FAULT_NAMES = Object.keys(FAULTS) as readonly FaultName[];

/** True for the name of a test of the format. */
export const isTestName = (name: string): name is TestName => Object.hasOwn(TESTS, name);
/** True for the name of an observation of the format. */
export const isObservationName = (name: string): name is ObservationName => Object.hasOwn(OBSERVATIONS, name);

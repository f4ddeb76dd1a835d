/** The format's words that are not things of the trade: how a vehicle is built, how a reading stands. */

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
export const VERDICTS = ['keep', 'not-tested', 'replace', 'repair', 'charge-first', 'not-proven'] as const;
export type Verdict = (typeof VERDICTS)[number];
export const ACTIONS = ['replace', 'repair', 'charge-first', 'test-next', 'none-found', 'stop'] as const;
export type Action = (typeof ACTIONS)[number];

/** The four parts that carry a verdict. */
export const JUDGED_PARTS = ['battery', 'starter', 'alternator', 'connections'] as const;
export type JudgedPart = (typeof JUDGED_PARTS)[number];
/** Every part a decision may name. */
export const PARTS = [...JUDGED_PARTS, 'control', 'belt', 'mechanical', 'drain'] as const;
export type Part = (typeof PARTS)[number];

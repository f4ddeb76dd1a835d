import type { Chemistry, NominalVolts, RatingStandard } from '@tetrad/core';

/** A system as it is typed: texts, so that nothing typed is lost before it is understood. */
export interface SystemDraft {
  readonly nominal: NominalVolts;
  readonly chemistry: Chemistry;
  readonly rating: string;
  readonly standard: RatingStandard;
  readonly capacity: string;
  readonly arrangement: 'single' | 'parallel' | 'series';
  readonly count: string;
  readonly caps: '' | 'yes' | 'no';
  readonly cylinders: string;
  readonly fuel: '' | 'petrol' | 'diesel';
  readonly litres: string;
  readonly alternator: string;
  readonly regulation: '' | 'fixed' | 'commanded';
  readonly drawMin: string;
  readonly drawMax: string;
  readonly chargeMin: string;
  readonly chargeMax: string;
  readonly crankMin: string;
}

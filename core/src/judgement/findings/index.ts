import type { DerivedFigures } from '../derive';
import type { Situation } from '../situation';
import {
  acceptanceFindings,
  ageFindings,
  gravityFindings,
  healthFindings,
  holdFindings,
  recheckFindings,
  recoveryFindings,
  restingFindings,
  sagFindings,
} from './battery-findings';
import {
  chargingFindings,
  diodeFindings,
  drainFindings,
  outputFindings,
  rippleFindings,
  supplyFindings,
} from './charging-findings';
import type { Finding, FindingRule } from './finding';
import { observationFindings, symptomFindings } from './observed-findings';
import { dropFindings } from './path-findings';
import { controlFindings, didNotCrankFindings, drawFindings, motorFindings, speedFindings } from './starting-findings';

const RULES: readonly FindingRule[] = [
  restingFindings,
  recheckFindings,
  healthFindings,
  gravityFindings,
  holdFindings,
  acceptanceFindings,
  recoveryFindings,
  sagFindings,
  ageFindings,
  dropFindings,
  drawFindings,
  speedFindings,
  motorFindings,
  controlFindings,
  didNotCrankFindings,
  chargingFindings,
  rippleFindings,
  diodeFindings,
  outputFindings,
  supplyFindings,
  drainFindings,
  observationFindings,
  symptomFindings,
];

/** Everything the valid readings, observations and symptoms of a case say. */
export const findingsOf = (situation: Situation, derived: DerivedFigures): readonly Finding[] =>
  RULES.flatMap((rule) => rule(situation, derived)).filter((finding) => finding !== null);

/** Every kind of limit, by the name of its file. Written by `npm run derive`; do not edit. */
import { band } from './band';
import { blocks } from './blocks';
import { charge } from './charge';
import { commanded } from './commanded';
import { drop } from './drop';
import { expectedDraw } from './expected-draw';
import { intoBattery } from './into-battery';
import { loss } from './loss';
import { missingHumps } from './missing-humps';
import { nearResting } from './near-resting';
import { ohmsTimesCca } from './ohms-times-cca';
import { outputShare } from './output-share';
import { ratedShare } from './rated-share';
import { sag } from './sag';
import { spread } from './spread';
import { temperatureFloor } from './temperature-floor';
import { terminalVolts } from './terminal-volts';
import { underBattery } from './under-battery';

export const RULES = {
  band,
  blocks,
  charge,
  commanded,
  drop,
  'expected-draw': expectedDraw,
  'into-battery': intoBattery,
  loss,
  'missing-humps': missingHumps,
  'near-resting': nearResting,
  'ohms-times-cca': ohmsTimesCca,
  'output-share': outputShare,
  'rated-share': ratedShare,
  sag,
  spread,
  'temperature-floor': temperatureFloor,
  'terminal-volts': terminalVolts,
  'under-battery': underBattery,
} as const;

import { limitsOf } from '../../criteria/criteria-set';
import { BALANCED } from '../../criteria/schools';
import { loadTestAmps } from '../../battery/rating';
import { interpolate } from '../../quantities/interpolate';
import { figure, result } from '../sum';
import type { Sum } from '../sum';

const [limit] = limitsOf(BALANCED, 'load-test');
const points = limit?.rule.kind === 'temperature-floor' ? limit.rule.points : [];

export const loadTest: Sum = {
  id: 'load-test',
  name: 'Load test',
  formula: 'load = CCA / 2, for 15 s; the floor by temperature',
  note: 'The floor is that of the limit set Balanced, under load, for 12 V.',
  inputs: [
    figure('cca', 'Cold-cranking amps (SAE)', 'A', [50, 3000], 560),
    figure('celsius', 'Battery temperature', '°C', [-30, 50], 21),
  ],
  work: ({ cca, celsius }) => [
    result('Load', loadTestAmps(cca!), 'A', 0),
    result('At least, under load', interpolate(points, celsius!), 'V', 2),
  ],
  picture: { along: 'celsius', shows: 1 },
};

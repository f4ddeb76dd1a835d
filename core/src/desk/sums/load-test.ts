import { limitsOf } from '../../criteria/criteria-set';
import { BALANCED } from '../../criteria/schools';
import { loadTestAmps } from '../../battery/rating';
import { loadFloorVolts } from '../../battery/sag-share';
import { MIN_LOAD_SHARE } from '../../criteria/rules/temperature-floor';
import { interpolate } from '../../quantities/interpolate';
import { figure, result } from '../sum';
import type { Sum } from '../sum';

const [limit] = limitsOf(BALANCED, 'load-test');
const points = limit?.rule.kind === 'temperature-floor' ? limit.rule.points : [];

export const loadTest: Sum = {
  id: 'load-test',
  name: 'Load test',
  formula: 'load = CCA / 2, for 15 s; the floor by temperature, and by the load where it is another',
  note: 'The floor is that of the limit set Balanced, under load, for 12 V. A load other than half the CCA: 12.6 V less the sag that the half-CCA floor allows at that load. Under a tenth of the CCA nothing is passed.',
  inputs: [
    figure('cca', 'Cold-cranking amps (SAE)', 'A', [50, 3000], 560),
    figure('celsius', 'Battery temperature', '°C', [-30, 50], 21),
    figure('amps', 'Load (0: half the CCA)', 'A', [0, 3000], 0),
  ],
  work: ({ cca, celsius, amps }) => {
    const load = amps! > 0 ? amps! : loadTestAmps(cca!);
    const floor = loadFloorVolts(interpolate(points, celsius!), null, load, cca!, 1);
    return [
      result('Load', load, 'A', 0),
      result('At least, under load', load < MIN_LOAD_SHARE * cca! ? null : floor, 'V', 2),
    ];
  },
  picture: { along: 'celsius', shows: 1 },
};

import { speedShare } from '../../circuit/model/charging-circuit';
import { figure, result } from '../sum';
import type { Sum } from '../sum';

export const alternatorOutput: Sum = {
  id: 'alternator-output',
  name: 'Alternator amps at a speed',
  formula: 'share of its rating by engine speed, as the circuit model has it',
  note: 'A usual pulley ratio. What the vehicle asks for is not what the alternator can give: load it until the volts fall to about resting.',
  inputs: [figure('rated', 'Rating', 'A', [10, 500], 110), figure('rpm', 'Engine speed', 'rpm', [400, 6000], 2000)],
  work: ({ rated, rpm }) => [
    result('It can give about', rated! * speedShare(rpm!), 'A', 0),
    result('Of its rating', speedShare(rpm!) * 100, '%', 0),
  ],
  picture: { along: 'rpm', shows: 0 },
};

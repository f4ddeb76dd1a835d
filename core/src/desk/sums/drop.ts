import { figure, result } from '../sum';
import type { Sum } from '../sum';

export const drop: Sum = {
  id: 'drop',
  name: 'Drop to milliohms and to full current',
  formula: 'R = V / A; drop at full current = R × full current',
  note: 'With less than half of the usual current the figure says little.',
  inputs: [
    figure('volts', 'Drop', 'V', [0, 30], 0.32),
    figure('amps', 'Current that flowed', 'A', [0.1, 3000], 110),
    figure('full', 'Usual current', 'A', [0.1, 3000], 180),
  ],
  work: ({ volts, amps, full }) => [
    result('Resistance', volts! / amps!, 'ohm', 5),
    result('At the usual current', (volts! / amps!) * full!, 'V', 3),
    result(
      'Share of the usual current',
      (amps! / full!) * 100,
      '%',
      0,
      amps! / full! < 0.5 ? 'under half: read it again with more current' : undefined,
    ),
  ],
  picture: { along: 'full', shows: 1 },
};

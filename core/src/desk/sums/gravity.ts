import { meanGravity, voltsOfGravity } from '../../battery/gravity';
import { figure, result } from '../sum';
import type { Sum } from '../sum';

export const gravity: Sum = {
  id: 'gravity',
  name: 'Gravity at a temperature',
  formula: '0.004 for each 5.5 °C from 27 °C, added when warmer; volts of six cells = 6 × (gravity + 0.84)',
  note: 'Of cells with caps. A spread of 0.050 between cells is a bad cell.',
  inputs: [
    figure('shown', 'On the hydrometer', 'SG', [1, 1.4], 1.245),
    figure('celsius', 'Electrolyte', '°C', [-30, 60], 10),
  ],
  work({ shown, celsius }) {
    const corrected = meanGravity([shown!], celsius);
    return [
      result('At 27 °C', corrected, 'SG', 3),
      result('Resting voltage that goes with it', voltsOfGravity(Array.from({ length: 6 }, () => corrected)), 'V', 2),
    ];
  },
};

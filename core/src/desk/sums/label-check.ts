import { figure, result } from '../sum';
import type { Sum } from '../sum';

export const labelCheck: Sum = {
  id: 'label-check',
  name: 'Label against itself',
  formula: 'SAE CCA / Ah; SAE CCA / liters of the engine',
  note: 'Usual are 7 to 12 A per Ah, of thin plates up to 15; 200 to 400 A per liter of a petrol engine, 250 to 500 of a diesel. Far outside either, the wrong line or standard was copied: look at the label again.',
  inputs: [
    figure('cca', 'Cold-cranking amps (SAE)', 'A', [20, 3000], 560),
    figure('capacity', 'Capacity', 'Ah', [5, 400], 60),
    figure('liters', 'Engine, liters', '', [0.3, 20], 1.8),
  ],
  work: ({ cca, capacity, liters }) => [
    result('For each Ah', cca! / capacity!, 'A/Ah', 1),
    result('For each liter', cca! / liters!, 'A', 0),
  ],
};

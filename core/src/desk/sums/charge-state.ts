import { CHEMISTRIES } from '../../battery/battery-words';
import type { Chemistry } from '../../battery/battery-words';
import { freezingCelsius, stateOfCharge } from '../../battery/state-of-charge';
import { figure, oneOf, result } from '../sum';
import type { Sum } from '../sum';

export const chargeState: Sum = {
  id: 'charge-state',
  name: 'State of charge',
  formula: 'by the table of its chemistry, brought to 25 °C',
  note: 'At rest, surface charge removed. It says how full the battery is, never how good.',
  inputs: [
    figure('volts', 'Resting voltage', 'V', [4, 30], 12.45),
    oneOf('chemistry', 'Type', CHEMISTRIES, 'flooded'),
    oneOf('nominal', 'System', ['6', '12', '24'], '12'),
    figure('celsius', 'Temperature', '°C', [-40, 60], 21),
  ],
  work({ volts, celsius }, { chemistry, nominal }) {
    const charge = stateOfCharge(volts!, chemistry as Chemistry, Number(nominal), celsius);
    return [
      result(
        'State of charge',
        charge * 100,
        '%',
        0,
        charge < 0.75 ? 'charge before any load or cranking judgment' : undefined,
      ),
      result('Freezes at about', freezingCelsius(charge), '°C', 0),
    ];
  },
  picture: { along: 'volts', shows: 0 },
};

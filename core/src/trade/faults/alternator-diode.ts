import { along } from '../../circuit/model/along';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const alternatorDiode: Fault = {
  name: 'alternator diode bad',
  repairs: 'alternator diode',
  part: () => 'alternator',
  customer: 'A diode inside the alternator has failed: it charges poorly and disturbs the electronics.',
  prior: 0.03,
  symptoms: { 'charge-lamp': 0.7, 'dim-at-idle': 0.7, 'goes-flat': 0.5, 'radio-whine': 1 },
  shows: { 'weak-output': 0.5, 'low-output': 0.5 },
  excuses: [
    {
      excuse: 'battery-flat',
      how: 'A flat battery takes much current, and the ripple of a sound alternator grows with it.',
    },
    {
      excuse: 'ripple-one-way',
      how: 'An AC range that lets DC through, or a battery connection that no longer filters, shows ripple of a sound alternator.',
    },
  ],
};

export const alternatorDiodeEffect: FaultEffect = (vehicle, severity, random, { badRippleVolts }) => {
  vehicle.rippleVolts = along(badRippleVolts, severity) * vehicle.scale;
  vehicle.humpsMissing = severity > 0.7 ? 2 : 1;
  vehicle.alternatorShare *= along([0.8, 0.55], severity);
  vehicle.diodeShorted = random.chance(0.4);
  if (vehicle.diodeShorted) vehicle.drainAmps += 0.02;
};

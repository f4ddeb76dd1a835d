import { along } from '../../circuit/model/along';
import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const regulatorHigh: Fault = {
  name: 'regulator set too high',
  repairs: 'regulator',
  part: ({ alternator }) => (alternator?.regulation === 'commanded' ? 'control' : 'alternator'),
  customer: 'The battery is charged with too high a voltage and will be ruined by it.',
  prior: 0.02,
  symptoms: { 'bright-lamps': 1, 'battery-smell': 1 },
  excuses: [
    { excuse: 'sense-wire', how: 'Through a bad sense connection the regulator sees too little and drives harder.' },
    { excuse: 'alternator-ground', how: 'Through a bad ground the regulator sees too little and drives harder.' },
    { excuse: 'volts-seen-once', how: 'One reading of a meter with a weak battery of its own may be too high.' },
  ],
};

export const regulatorHighEffect: FaultEffect = (vehicle, severity) =>
  void (vehicle.regulatorVolts = along([15.3, 16.8], severity) * vehicle.scale);

import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const none: Fault = {
  name: 'no fault in this system',
  repairs: 'nothing',
  part: () => null,
  customer: 'Battery, starter, alternator and their connections are in order.',
  prior: 0.5,
  symptoms: {},
  isNeverCalled: true,
  excuses: [],
};

export const noneEffect: FaultEffect = () => undefined;

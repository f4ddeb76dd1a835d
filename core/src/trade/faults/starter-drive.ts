import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const starterDrive: Fault = {
  name: 'starter drive spins free',
  part: () => 'starter',
  customer: 'The starter spins but does not take the engine along.',
  prior: 0.02,
  symptoms: { 'spins-without-cranking': 1 },
  symptomsAgainst: { 'cranks-normally': 'symptom-cranks' },
  excuses: [
    { excuse: 'battery-not-proven', how: 'A weak battery gives the starter too little, and it turns slowly.' },
    {
      excuse: 'positive-side-not-tried',
      how: 'A starved starter may click in without turning; the path must have been tried.',
    },
    {
      excuse: 'ground-side-not-tried',
      how: 'A starved starter may click in without turning; the path must have been tried.',
    },
    {
      excuse: 'not-told-to-crank',
      how: 'With little voltage at its control terminal the solenoid closes badly or not at all.',
    },
    { excuse: 'something-holds-it', how: 'A locked engine lets the drive slip over.' },
  ],
};

export const starterDriveEffect: FaultEffect = (vehicle) => void (vehicle.driveEngages = false);

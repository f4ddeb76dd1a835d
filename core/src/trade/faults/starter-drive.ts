import type { FaultEffect } from '../../circuit/model/fault-effect';
import type { Fault } from '../fault';

export const starterDrive: Fault = {
  name: 'starter drive spins free',
  repairs: 'starter drive',
  part: () => 'starter',
  customer: 'The starter spins but does not take the engine along.',
  prior: 0.02,
  symptoms: { 'spins-without-cranking': 1 },
  symptomsAgainst: { 'cranks-normally': 'symptom-cranks' },
  // nothing across the cables can explain it: it is told to crank, and it turns
  excuses: [
    { excuse: 'battery-flat', how: 'A flat battery lets the drive drop out again before it turns the engine.' },
    { excuse: 'draw-not-known', how: 'Only few amps tell a starter that spins free from one that is held.' },
  ],
};

export const starterDriveEffect: FaultEffect = (vehicle) => void (vehicle.driveEngages = false);

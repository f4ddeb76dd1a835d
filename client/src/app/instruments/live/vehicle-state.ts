import type { SimulatedVehicleView } from '@tetrad/contracts';

/** What hands hold of a simulated vehicle. */
export type VehicleState = Pick<SimulatedVehicleView, 'key' | 'hasFuel' | 'loads' | 'throttle' | 'isLoadTested'>;
export type HandName = keyof VehicleState;

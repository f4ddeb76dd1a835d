/** Makers' figures of the demo: invented, like its vehicles. */
import type { MakerFigures } from '@tetrad/contracts';
import { VEHICLES } from './demo-vehicles';

export const DEMO_FIGURES: readonly MakerFigures[] = [
  {
    name: '2.0 diesel',
    source: 'Workshop manual, section 12',
    system: {
      ...VEHICLES.utilityVan.system,
      specified: {
        starterDrawAmps: { min: 220, max: 420 },
        crankingVolts: { min: 9.8 },
        chargingVolts: { min: 13.8, max: 14.7 },
      },
    },
  },
  {
    name: '7.2 diesel 24 V',
    source: 'Plate at the starter',
    system: { ...VEHICLES.snowPlough.system, specified: { starterDrawAmps: { max: 650 }, crankingVolts: { min: 18 } } },
  },
  {
    name: '1.2 petrol',
    source: 'Owner’s booklet, p. 210',
    system: { ...VEHICLES.poolCar.system, specified: { chargingVolts: { min: 13.6, max: 14.6 } } },
  },
];

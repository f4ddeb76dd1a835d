/** The invented vehicles of the demo: a municipal vehicle yard. No real makes, plates or people. */
import type { JobVehicle } from '@tetrad/contracts';
import type { System } from '@tetrad/core';

export interface DemoVehicle extends JobVehicle {
  readonly system: System;
}

const id = (n: number): string => `7e7ad000-0000-4000-8000-${String(n).padStart(12, '0')}`;

const petrol = (cylinders: number, litres: number, sae: number, ah: number, alternator: number): System => ({
  nominalVolts: 12,
  engine: { cylinders, fuel: 'petrol', displacementLitres: litres },
  battery: {
    chemistry: 'flooded',
    serviceable: true,
    count: 1,
    arrangement: 'single',
    rating: { value: sae, standard: 'SAE' },
    capacityAh: ah,
  },
  alternator: { ratedAmps: alternator, regulation: 'fixed' },
});
const diesel = (litres: number, en: number, ah: number, alternator: number): System => ({
  nominalVolts: 12,
  engine: { cylinders: 4, fuel: 'diesel', displacementLitres: litres },
  battery: { chemistry: 'agm', count: 1, arrangement: 'single', rating: { value: en, standard: 'EN' }, capacityAh: ah },
  alternator: { ratedAmps: alternator, regulation: 'fixed' },
});
const truck24: System = {
  nominalVolts: 24,
  engine: { cylinders: 6, fuel: 'diesel', displacementLitres: 7.2 },
  battery: {
    chemistry: 'flooded',
    serviceable: true,
    count: 2,
    arrangement: 'series',
    rating: { value: 1000, standard: 'SAE' },
    capacityAh: 180,
  },
  alternator: { ratedAmps: 80, regulation: 'fixed' },
};
const smart: System = { ...diesel(1.5, 700, 70, 180), alternator: { ratedAmps: 180, regulation: 'commanded' } };
const mower: System = {
  nominalVolts: 6,
  engine: { cylinders: 2, fuel: 'petrol', displacementLitres: 0.6 },
  battery: { chemistry: 'flooded', serviceable: true, rating: { value: 300, standard: 'SAE' }, capacityAh: 60 },
  alternator: { ratedAmps: 30, regulation: 'fixed' },
};

const row = (n: number, name: string, plate: string, year: number, group: string, system: System): DemoVehicle => ({
  id: id(n),
  name,
  plate,
  year,
  group,
  system,
});

export const VEHICLES = {
  utilityVan: row(1, 'Utility van 2.0 diesel', 'YD-104', 2021, 'Roads', diesel(2.0, 760, 80, 150)),
  parksPickup: row(2, 'Parks pickup 2.4 petrol', 'YD-117', 2017, 'Parks', petrol(4, 2.4, 600, 65, 110)),
  streetSweeper: row(3, 'Street sweeper 3.0 diesel', 'YD-009', 2018, 'Roads', diesel(3.0, 800, 90, 140)),
  poolCar: row(4, 'Pool car 1.2 petrol', 'YD-131', 2022, 'Town', petrol(3, 1.2, 480, 50, 90)),
  wardenCar: row(5, 'Warden car 1.6 petrol', 'YD-128', 2016, 'Town', petrol(4, 1.6, 540, 60, 100)),
  snowPlough: row(6, 'Snow plough 7.2 diesel, 24 V', 'YD-002', 2014, 'Roads', truck24),
  libraryBus: row(7, 'Library bus 3.0 diesel', 'YD-021', 2015, 'Town', diesel(3.0, 850, 95, 180)),
  bridgeVan: row(8, 'Bridge crew van 1.5 diesel', 'YD-142', 2023, 'Roads', smart),
  fireTender: row(9, 'Fire tender 7.2 diesel, 24 V', 'YD-001', 2012, 'Fire', truck24),
  surveyCar: row(10, 'Survey wagon 3.5 petrol', 'YD-055', 2013, 'Town', petrol(6, 3.5, 650, 70, 130)),
  greenMower: row(11, 'Verge mower 0.6 petrol, 6 V', 'YD-301', 1989, 'Parks', mower),
  mealVan: row(12, 'Meals van 1.8 petrol', 'YD-090', 2019, 'Town', petrol(4, 1.8, 560, 60, 110)),
} as const satisfies Record<string, DemoVehicle>;

/** Vehicles that were never here: due in their round from the day it was planned. */
export const NEVER_SEEN: readonly JobVehicle[] = [
  { id: id(13), name: 'Salt spreader 4.6 diesel', plate: 'YD-014', year: 2016, group: 'Roads' },
  { id: id(14), name: 'Road roller 2.2 diesel', plate: 'YD-030', year: 2011, group: 'Roads' },
];

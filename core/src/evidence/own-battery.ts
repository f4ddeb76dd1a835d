import { restingCelsius, stateOfCharge } from '../battery/state-of-charge';
import { isNumeric, unitVolts } from './case-context';
import type { CaseContext, NumericReading } from './case-context';

/**
 * The same context as one battery of a pack shows it: its own resting voltage and charge, in series its share of
 * the volts, in parallel its share of the amps. Unchanged for a reading of the pack as connected.
 *
 * @typeParam S A graded case stays a graded case.
 * @param battery From 1; absent for the pack as connected.
 */
export function asOwnBattery<S extends CaseContext>(context: S, battery: number | undefined): S {
  if (battery === undefined || context.units.length === 0) return context;
  const { system } = context.case;
  const nominalVolts = unitVolts(system);
  const resting = ownResting(context, battery)?.value ?? null;
  const celsius = restingCelsius(context);
  return {
    ...context,
    case: {
      ...context.case,
      system: { ...system, nominalVolts, battery: { ...system.battery, count: 1, arrangement: 'single' as const } },
    },
    scale: nominalVolts / 12,
    packCca: context.cca,
    units: [],
    resting,
    charge: resting === null ? null : stateOfCharge(resting, system.battery.chemistry, nominalVolts, celsius),
  };
}

/** The newest resting voltage of one battery of a pack. */
const ownResting = ({ byTest }: CaseContext, battery: number): NumericReading | undefined =>
  (byTest.get('resting-voltage') ?? []).filter(isNumeric).findLast((reading) => reading.battery === battery);

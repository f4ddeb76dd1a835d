import type { JobView } from '@tetrad/contracts';
import { ENGLISH, TESTS } from '@tetrad/core';
import type { Assessment } from '@tetrad/core';

/** All readings of a job as they are exported: one a row, plain SI figures, voided ones too. */
export const readingsTable = ({ vehicle }: JobView, assessments: readonly Assessment[]): readonly object[] =>
  assessments.map(({ reading, grade, because, resolved }) => ({
    vehicle: vehicle.name,
    plate: vehicle.plate ?? '',
    test: reading.test,
    name: TESTS[reading.test].name,
    value: Array.isArray(reading.value) ? reading.value.join(' ') : (reading.value ?? ''),
    unit: TESTS[reading.test].unit,
    'not possible': reading.notPossible ?? '',
    grade,
    limit: resolved ? ENGLISH.say(resolved.bound) : '',
    because: ENGLISH.say(because),
    conditions: Object.entries(reading.conditions ?? {})
      .map(([name, value]) => `${name} ${String(value)}`)
      .join(', '),
    battery: reading.battery ?? '',
    pass: reading.pass ?? 'before',
    uncertainty: reading.uncertainty ?? '',
    instrument: reading.instrument ?? '',
    by: reading.by ?? '',
    at: reading.at ?? '',
    void: reading.void ?? '',
  }));

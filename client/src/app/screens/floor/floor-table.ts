import type { FloorLine } from './floor-line';

/** The rows in view as they are exported. */
export const floorTable = (lines: readonly FloorLine[]): readonly object[] =>
  lines.map(({ row, vehicle, complaint, waitsFor, verdict, who }) => ({
    job: row.id,
    vehicle,
    plate: row.vehicle.plate ?? '',
    complaint,
    'waits for': waitsFor,
    verdict,
    part: row.decision?.part ?? '',
    who,
    status: row.status,
    readings: row.readings,
    opened: row.openedAt,
    changed: row.changedAt,
  }));

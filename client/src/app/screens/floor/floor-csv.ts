import { unparse } from 'papaparse';
import { saveText } from '../../kit/save-file';
import type { FloorLine } from './floor-line';

/** The rows in view as a CSV table. */
export const floorCsv = (lines: readonly FloorLine[]): string =>
  unparse(
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
    })),
    { escapeFormulae: true },
  );

export const downloadCsv = (lines: readonly FloorLine[]): void => saveText('floor.csv', 'text/csv', floorCsv(lines));

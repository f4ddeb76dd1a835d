/** Rows of a shop's archive for some vehicles of a simulated fleet, as the tables of the server have them. */
import {
  BALANCED,
  CORE_VERSION,
  fleetVehicle,
  fourNoteProfile,
  isClearlySound,
  judgeSurvey,
  survey,
} from '@tetrad/core';
import type { FleetOptions, FleetVisit } from '@tetrad/core';

/** Which vehicles: from, and up to but not with. */
export interface FleetPart extends FleetOptions {
  readonly from: number;
  readonly to: number;
  /** When the simulated time ends, ms. */
  readonly endsAt: number;
}

/** The tables that a fleet fills beside the shop's own row and its plans, each after those that it refers to. */
export const FLEET_TABLES = [
  'vehicle',
  'job',
  'reading',
  'observation',
  'judgement',
  'sign_off',
  'vehicle_use',
] as const;
export type FleetTable = (typeof FLEET_TABLES)[number];
/** Lines of JSON by table. */
export type FleetLines = Record<FleetTable, string[]>;

const DAY_MS = 86_400_000;
const MAX_VISITS = 100_000;
const KINDS = { vehicle: '0', job: '1', observation: '2', sign_off: '3', vehicle_use: '4' } as const;
const idOf = (kind: keyof typeof KINDS, number: number): string =>
  `f1ee700${KINDS[kind]}-0000-4000-8000-${number.toString(16).padStart(12, '0')}`;

export function fleetLines(part: FleetPart): FleetLines {
  const lines = Object.fromEntries(FLEET_TABLES.map((table) => [table, [] as string[]])) as FleetLines;
  for (let index = part.from; index < part.to; index++) {
    const { name, plate, year, group, visits } = fleetVehicle(index, part);
    const vehicle = idOf('vehicle', index);
    const first = new Date(part.endsAt - (visits[0]?.daysAgo ?? 0) * DAY_MS).toISOString();
    lines.vehicle.push(row({ vehicle_id: vehicle, name, plate, year, group_name: group, created_at: first }));
    visits.forEach((visit, at) => addVisit(lines, vehicle, index * MAX_VISITS + at, visit, part.endsAt));
  }
  return lines;
}

const row = (fields: object): string => JSON.stringify(fields);

function addVisit(lines: FleetLines, vehicle: string, number: number, visit: FleetVisit, endsAt: number): void {
  const { subject, fitted, km, daysAgo } = visit;
  const job = idOf('job', number);
  const at = new Date(endsAt - daysAgo * DAY_MS).toISOString();
  const { format: _format, title: _title, system, complaint, conditions, observations = [], readings } = subject;
  const surveyed = survey(subject, BALANCED);
  const judgement = judgeSurvey(surveyed);
  const profile = fourNoteProfile(surveyed.assessments, system, surveyed.gradedCase);
  // of the newest weeks some are still open
  const isOpen = daysAgo < 14 && fitted === null && !isClearlySound(subject, judgement);
  lines.job.push(
    row({
      ...{
        job_id: job,
        vehicle_id: vehicle,
        status: isOpen ? 'open' : 'closed',
        assignee: 'Simulated',
        pass: 'before',
      },
      ...{ criteria_id: BALANCED.id, system, complaint, conditions, extra: {}, opened_at: at, changed_at: at },
    }),
  );
  for (const reading of readings)
    lines.reading.push(
      row({ job_id: job, reading_id: reading.id, test: reading.test, document: { ...reading, at }, entered_at: at }),
    );
  observations.forEach((document, place) =>
    lines.observation.push(
      row({ job_id: job, observation_id: idOf('observation', number * 10 + place), document, entered_at: at }),
    ),
  );
  lines.judgement.push(
    row({
      ...{ job_id: job, seq: number + 1, judged_at: at, criteria_id: BALANCED.id, criteria_version: BALANCED.version },
      ...{ core_version: CORE_VERSION, document: judgement, profile },
    }),
  );
  lines.vehicle_use.push(
    row({ use_id: idOf('vehicle_use', number), vehicle_id: vehicle, used_on: at.slice(0, 10), km }),
  );
  if (fitted !== null) lines.sign_off.push(row(signOffOf(job, number, fitted, at, judgement.decision)));
}

const signOffOf = (job: string, number: number, fitted: 'battery' | 'ground', at: string, judged: object): object => ({
  ...{
    job_id: job,
    sign_off_id: idOf('sign_off', number),
    seq: number + 1,
    signed_by: 'Simulated',
    signed_at: at,
    judged,
  },
  ...(fitted === 'battery'
    ? { action: 'replace', part: 'battery', conclusion: 'The battery is worn.', parts_fitted: ['battery'] }
    : { action: 'repair', part: 'connections', conclusion: 'The engine ground was cleaned.', parts_fitted: [] }),
});

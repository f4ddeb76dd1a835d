/** One of each write that the interface knows, in an order in which each is possible. */
import { randomUUID } from 'node:crypto';
import { BALANCED, CRITERIA_FORMAT, SimulatedVisit, startRecord, writeDialect } from '@tetrad/core';
import { analyzeRecording, readCapture } from '@tetrad/core/capture';
import { jobBody, readingBody } from './made-bodies';

const record = startRecord(new SimulatedVisit({ faults: ['none'], seed: 3 }).vehicle, {
  sampleRateHz: 500,
  crankS: 2,
  afterS: 2,
});
const FOUND = analyzeRecording(readCapture(Buffer.from([...writeDialect(record)].join(''))), { cylinders: 4 });

export type Step = readonly [id: string, method: string, path: string, body?: object];

/** Ids and names are others each time it is asked. @param shop The id of the shop. */
export function everyWrite(shopId = 'one'): readonly Step[] {
  const shop = `/api/shops/${shopId}`;
  const [first, second] = [jobBody(), jobBody()];
  const job = `${shop}/jobs/${first.id}`;
  const reading = readingBody('resting-voltage', 12.6);
  const [observation, timer, capture, instrument, person, plan, figures, key, hook, list, move] = Array.from(
    { length: 11 },
    () => randomUUID(),
  );
  const own = randomUUID().slice(0, 8);
  const set = { ...BALANCED, format: CRITERIA_FORMAT, id: 'ours', version: 1 };
  const rows = [{ name: 'Listed van', plate: `LIST ${own}` }];
  const system = { ...first.system, specified: { starterDrawAmps: { min: 90, max: 180 } } };
  const case1 = { format: 'tetrad-case/1', system: first.system, readings: [] };
  const check = { vehicle: first.vehicle, system: first.system, readings: [reading.reading], observations: [] };
  const signOff = { id: randomUUID(), action: 'charge-first', part: 'battery', conclusion: 'x', partsFitted: [] };
  return [
    ['openJob', 'POST', `${shop}/jobs`, first],
    ['openJob', 'POST', `${shop}/jobs`, second],
    ['addReading', 'POST', `${job}/readings`, reading],
    ['voidReading', 'POST', `${job}/readings/${reading.reading.id}/void`, { reason: 'slip' }],
    [
      'addObservation',
      'POST',
      `${job}/observations`,
      { id: observation, observation: { about: 'belt', finding: 'good' } },
    ],
    ['takeBackObservation', 'POST', `${job}/observations/${observation}/take-back`, {}],
    ['startTimer', 'POST', `${job}/timers`, { id: timer, kind: 'cool-down' }],
    ['stopTimer', 'POST', `${job}/timers/${timer}/stop`, {}],
    ['acknowledge', 'POST', `${job}/acknowledgements`, { caution: 'acid' }],
    ['takeBackAcknowledgement', 'POST', `${job}/acknowledgements/acid/take-back`, {}],
    ['announceCapture', 'POST', `${job}/captures`, { id: capture, name: 'start.csv', bytes: 4 }],
    ['storeFound', 'POST', `${shop}/captures/${capture}/found`, { found: FOUND }],
    ['changeJob', 'PATCH', job, { version: 1, complaint: { symptoms: ['goes-flat'] } }],
    ['addReading', 'POST', `${job}/readings`, readingBody('resting-voltage', 11.2)],
    // as the judge decides
    ['signOff', 'POST', `${job}/sign-offs`, signOff],
    ['recordOutcome', 'POST', `${job}/outcomes`, { id: randomUUID(), complaint: 'gone' }],
    ['importCase', 'POST', `${shop}/cases`, case1],
    ['checkVehicle', 'POST', `${shop}/jobs/${randomUUID()}/round-check`, check],
    ['changeVehicle', 'PATCH', `${shop}/vehicles/${first.vehicle.id}`, { group: 'Vans' }],
    ['noteUse', 'PUT', `${shop}/vehicles/${first.vehicle.id}/uses/${randomUUID()}`, { km: 1000 }],
    ['moveJobs', 'POST', `${shop}/vehicles/${second.vehicle.id}/moves`, { id: move, to: first.vehicle.id }],
    ['undoMove', 'POST', `${shop}/vehicle-moves/${move}/undo`, {}],
    ['importVehicles', 'POST', `${shop}/vehicle-imports`, { id: list, rows, isApplied: true }],
    ['undoImport', 'POST', `${shop}/vehicle-imports/${list}/undo`, {}],
    ['putRound', 'PUT', `${shop}/rounds/${plan}`, { group: 'Vans', everyDays: 60 }],
    ['endRound', 'DELETE', `${shop}/rounds/${plan}`],
    ['putMakerFigures', 'PUT', `${shop}/maker-figures/${figures}`, { name: `Engine ${own}`, source: 'book', system }],
    ['removeMakerFigures', 'DELETE', `${shop}/maker-figures/${figures}`],
    ['importMakerFigures', 'POST', `${shop}/maker-figure-imports`, { rows: [{ name: 'E', source: 'b', system }] }],
    ['saveCriteria', 'POST', `${shop}/criteria`, { document: set, follows: 0, isMeant: true }],
    ['putCriteriaInForce', 'POST', `${shop}/criteria/ours/versions/1/in-force`, {}],
    ['chooseCriteria', 'PUT', `${shop}/criteria/usual`, { id: 'careful' }],
    ['putInstrument', 'PUT', `${shop}/instruments/${instrument}`, { name: 'Meter', kind: 'meter', uncertainty: {} }],
    ['checkInstrument', 'POST', `${shop}/instruments/${instrument}/checks`, { id: randomUUID(), findings: {} }],
    ['changeSettings', 'PUT', `${shop}/settings`, { forgetsAtSignOut: false }],
    ['addPerson', 'POST', `${shop}/people`, { id: person, name: `Ida ${own}`, role: 'lead' }],
    ['changePerson', 'PATCH', `${shop}/people/${person}`, { role: 'technician' }],
    ['resetPassword', 'POST', `${shop}/people/${person}/one-time-password`, {}],
    ['endSessions', 'POST', `${shop}/people/${person}/end-sessions`, {}],
    ['addApiKey', 'POST', `${shop}/api-keys`, { id: key, name: `Fleet office ${own}`, role: 'lead', days: 30 }],
    ['revokeApiKey', 'DELETE', `${shop}/api-keys/${key}`],
    ['putWebhook', 'PUT', `${shop}/webhooks/${hook}`, { url: 'https://files.example/', events: ['round.due'] }],
    ['testWebhook', 'POST', `${shop}/webhooks/${hook}/test`, {}],
    ['removeWebhook', 'DELETE', `${shop}/webhooks/${hook}`],
  ];
}

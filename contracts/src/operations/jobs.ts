import { FigureQuery } from '../figure-query';
import { FloorQuery } from '../floor-query';
import { JobChanges } from '../job-changes';
import { NewJob } from '../new-job';
import { NewObservation, NewReading, VoidReading } from '../new-reading';
import { NewOutcome, OutcomesQuery } from '../outcomes';
import { NewSignOff } from '../sign-off';
import { Acknowledge, StartTimer } from '../timers';
import type { OperationGroup } from './operation';

const job = { status: 200, type: 'JobView' } as const;
const newJob = { status: 201, type: 'JobView' } as const;

export const JOBS: OperationGroup = {
  name: 'Jobs',
  about: 'What a vehicle is in for: its evidence, waits, decision and outcome.',
  operations: [
    {
      ...{ id: 'listJobs', method: 'GET', path: '/jobs', query: FloorQuery, isOpenToKeys: true },
      summary: 'A page of the jobs, or some by their ids.',
      answer: { status: 200, type: 'FloorRow', isList: true, isPaged: true },
    },
    {
      ...{ id: 'openJob', method: 'POST', path: '/jobs', body: NewJob, permission: 'work', isOpenToKeys: true },
      summary: 'Opens a job, with its vehicle where that is new. A repeat of the same id is answered with 200.',
      answer: newJob,
    },
    {
      ...{ id: 'getJob', method: 'GET', path: '/jobs/{job}', isOpenToKeys: true },
      summary: 'One job whole: its case in the open format, the newest judgement, its sign-off.',
      answer: job,
    },
    {
      ...{
        id: 'changeJob',
        method: 'PATCH',
        path: '/jobs/{job}',
        body: JobChanges,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Changes the label, conditions, who has it; made on a version.',
      answer: job,
    },
    {
      ...{
        id: 'addReading',
        method: 'POST',
        path: '/jobs/{job}/readings',
        body: NewReading,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Adds a reading; the job is judged anew.',
      answer: newJob,
    },
    {
      ...{
        id: 'voidReading',
        method: 'POST',
        path: '/jobs/{job}/readings/{reading}/void',
        body: VoidReading,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Voids a reading; it stays, with the reason.',
      answer: job,
    },
    {
      ...{
        id: 'addObservation',
        method: 'POST',
        path: '/jobs/{job}/observations',
        body: NewObservation,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Adds what was seen or heard.',
      answer: newJob,
    },
    {
      ...{
        id: 'takeBackObservation',
        method: 'POST',
        path: '/jobs/{job}/observations/{observation}/take-back',
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Takes an observation back; its row stays.',
      answer: job,
    },
    {
      ...{
        id: 'startTimer',
        method: 'POST',
        path: '/jobs/{job}/timers',
        body: StartTimer,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Starts a wait.',
      answer: newJob,
    },
    {
      ...{
        id: 'stopTimer',
        method: 'POST',
        path: '/jobs/{job}/timers/{timer}/stop',
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Ends a wait.',
      answer: job,
    },
    {
      ...{
        id: 'acknowledgeCaution',
        method: 'POST',
        path: '/jobs/{job}/acknowledgements',
        body: Acknowledge,
        permission: 'work',
        isOpenToKeys: false,
      },
      summary: 'Acknowledges a caution.',
      answer: newJob,
    },
    {
      ...{
        id: 'takeBackAcknowledgement',
        method: 'POST',
        path: '/jobs/{job}/acknowledgements/{caution}/take-back',
        permission: 'work',
        isOpenToKeys: false,
      },
      summary: 'Shows a caution again.',
      answer: job,
    },
    {
      ...{
        id: 'signOff',
        method: 'POST',
        path: '/jobs/{job}/sign-offs',
        body: NewSignOff,
        permission: 'sign-off',
        isOpenToKeys: false,
      },
      summary: 'Signs a job off and closes it: a person’s decision.',
      answer: newJob,
    },
    {
      ...{
        id: 'recordOutcome',
        method: 'POST',
        path: '/jobs/{job}/outcomes',
        body: NewOutcome,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Records what became of a job that was signed off; the newest counts.',
      answer: newJob,
    },
    {
      ...{ id: 'getOutcomes', method: 'GET', path: '/outcomes', query: OutcomesQuery, isOpenToKeys: true },
      summary: 'What became of the jobs that were signed off in a period: by verdict, saved parts, calibration.',
      answer: { status: 200, type: 'OutcomesView' },
    },
    {
      ...{ id: 'listJudgements', method: 'GET', path: '/jobs/{job}/judgements', isOpenToKeys: true },
      summary: 'Which judgements there were, with criteria and version.',
      answer: { status: 200, type: 'PastJudgementView', isList: true },
    },
    {
      ...{ id: 'getJudgement', method: 'GET', path: '/jobs/{job}/judgements/{seq}', isOpenToKeys: true },
      summary: 'What was said then, whole.',
      answer: { status: 200, type: 'StoredJudgementView' },
    },
    {
      ...{ id: 'getCase', method: 'GET', path: '/jobs/{job}/case', isOpenToKeys: true },
      summary: 'The job as a file of the open case format.',
      answer: { status: 200, type: 'Case' },
    },
    {
      ...{ id: 'getAnonymousCase', method: 'GET', path: '/jobs/{job}/anonymous-case', isOpenToKeys: true },
      summary: 'The same without names, notes, ids and dates, to be given away.',
      answer: { status: 200, type: 'Case' },
    },
    {
      ...{ id: 'importCase', method: 'POST', path: '/cases', body: 'Case', permission: 'work', isOpenToKeys: true },
      summary: 'Opens a job from a file of the open case format.',
      answer: newJob,
    },
    {
      ...{ id: 'getReport', method: 'GET', path: '/jobs/{job}/report.pdf', query: FigureQuery, isOpenToKeys: true },
      summary: 'The report for customer and technician.',
      answer: { status: 200, media: 'application/pdf' },
    },
    {
      ...{ id: 'followJob', method: 'GET', path: '/jobs/{job}/live', isOpenToKeys: false },
      summary: 'The job whenever it changes, as server-sent events.',
      answer: { status: 200, media: 'text/event-stream' },
    },
    {
      ...{ id: 'followJobs', method: 'GET', path: '/live', isOpenToKeys: false },
      summary: 'Ids of jobs that change, as server-sent events.',
      answer: { status: 200, media: 'text/event-stream' },
    },
    {
      ...{ id: 'pairPhone', method: 'POST', path: '/jobs/{job}/pairings', permission: 'work', isOpenToKeys: false },
      summary: 'A code by which a phone joins this job.',
      answer: { status: 201, type: 'PairingView' },
    },
  ],
};

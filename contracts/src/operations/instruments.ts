import { CaptureFound, NewCapture } from '../captures';
import { InstrumentBody, NewCheck } from '../instruments';
import { NewRecording } from '../new-recording';
import { PageQuery } from '../page-query';
import { SimulatedHands } from '../simulated-hands';
import { AT_THE_JOB_AND_KEYS, PEOPLE, PEOPLE_AND_KEYS } from './operation';
import type { OperationGroup } from './operation';

export const INSTRUMENTS = {
  name: 'Instruments and captures',
  about: 'What is read with, and recordings of it.',
  operations: {
    listInstruments: {
      method: 'GET',
      path: '/instruments',
      by: PEOPLE_AND_KEYS,
      summary: 'The instruments of the shop, each with its newest check.',
      answer: { status: 200, type: 'InstrumentView', isList: true },
    },
    putInstrument: {
      method: 'PUT',
      path: '/instruments/{instrument}',
      body: InstrumentBody,
      by: PEOPLE_AND_KEYS,
      permission: 'work',
      summary: 'Adds an instrument, or changes it.',
      answer: { status: 200, type: 'InstrumentView' },
    },
    checkInstrument: {
      method: 'POST',
      path: '/instruments/{instrument}/checks',
      body: NewCheck,
      by: PEOPLE_AND_KEYS,
      permission: 'work',
      summary: 'Notes what a check of an instrument found.',
      answer: { status: 201, type: 'InstrumentView' },
    },
    followInstruments: {
      method: 'GET',
      path: '/instruments/live',
      by: PEOPLE,
      permission: 'work',
      summary: 'What instruments show just now, as server-sent events.',
      answer: { status: 200, media: 'text/event-stream' },
    },
    zeroInstrument: {
      method: 'POST',
      path: '/instruments/{instrument}/zero',
      by: PEOPLE,
      permission: 'work',
      summary: 'Zeroes a clamp that is read live.',
      answer: { status: 204 },
    },
    recordInstrument: {
      method: 'POST',
      path: '/instruments/{instrument}/recordings',
      body: NewRecording,
      by: PEOPLE,
      permission: 'work',
      summary: 'Records a start with an instrument that can.',
      answer: { status: 200, type: 'RecordedWaveform' },
    },
    moveSimulatedVehicle: {
      method: 'POST',
      path: '/simulated-vehicle',
      body: SimulatedHands,
      by: PEOPLE,
      permission: 'work',
      summary: 'Hands on the vehicle of the simulated instruments.',
      answer: { status: 200, type: 'SimulatedVehicleView' },
    },
    listCaptures: {
      method: 'GET',
      path: '/jobs/{job}/captures',
      query: PageQuery,
      by: AT_THE_JOB_AND_KEYS,
      summary: 'Recorded files of a job, with what was found in them.',
      answer: { status: 200, type: 'CaptureView', isList: true, isPaged: true },
    },
    listAlikeCaptures: {
      method: 'GET',
      path: '/jobs/{job}/captures-alike',
      by: PEOPLE,
      summary: 'Recordings of vehicles like this one.',
      answer: { status: 200, type: 'AlikeCapture', isList: true },
    },
    announceCapture: {
      method: 'POST',
      path: '/jobs/{job}/captures',
      body: NewCapture,
      by: AT_THE_JOB_AND_KEYS,
      permission: 'work',
      summary: 'Announces a recorded file, which is then sent in pieces.',
      answer: { status: 201, type: 'CaptureView' },
    },
    storePiece: {
      method: 'PUT',
      path: '/captures/{capture}/pieces/{number}',
      body: 'Bytes',
      bodyKind: 'bytes',
      by: PEOPLE_AND_KEYS,
      permission: 'work',
      summary: 'One piece of the file.',
      answer: { status: 204 },
    },
    storeFound: {
      method: 'POST',
      path: '/captures/{capture}/found',
      body: CaptureFound,
      bodyKind: 'findings',
      by: PEOPLE_AND_KEYS,
      permission: 'work',
      summary: 'What was found in the file.',
      answer: { status: 201, type: 'CaptureView' },
    },
    getCaptureFile: {
      method: 'GET',
      path: '/captures/{capture}/file',
      by: PEOPLE_AND_KEYS,
      summary: 'The file as it was sent.',
      answer: { status: 200, media: 'application/octet-stream' },
    },
  },
} as const satisfies OperationGroup;

import { CaptureFound, NewCapture } from '../captures';
import { InstrumentBody, NewCheck } from '../instruments';
import { NewRecording } from '../new-recording';
import { PageQuery } from '../page-query';
import { SimulatedHands } from '../simulated-hands';
import type { OperationGroup } from './operation';

export const INSTRUMENTS: OperationGroup = {
  name: 'Instruments and captures',
  about: 'What is read with, and recordings of it.',
  operations: [
    {
      ...{ id: 'listInstruments', method: 'GET', path: '/instruments', isOpenToKeys: true },
      summary: 'The instruments of the shop, each with its newest check.',
      answer: { status: 200, type: 'InstrumentView', isList: true },
    },
    {
      ...{
        id: 'putInstrument',
        method: 'PUT',
        path: '/instruments/{instrument}',
        body: InstrumentBody,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Adds an instrument, or changes it.',
      answer: { status: 200, type: 'InstrumentView' },
    },
    {
      ...{
        id: 'checkInstrument',
        method: 'POST',
        path: '/instruments/{instrument}/checks',
        body: NewCheck,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Notes what a check of an instrument found.',
      answer: { status: 201, type: 'InstrumentView' },
    },
    {
      ...{ id: 'followInstruments', method: 'GET', path: '/instruments/live', permission: 'work', isOpenToKeys: false },
      summary: 'What instruments show just now, as server-sent events.',
      answer: { status: 200, media: 'text/event-stream' },
    },
    {
      ...{
        id: 'zeroInstrument',
        method: 'POST',
        path: '/instruments/{instrument}/zero',
        permission: 'work',
        isOpenToKeys: false,
      },
      summary: 'Zeroes a clamp that is read live.',
      answer: { status: 204 },
    },
    {
      ...{
        id: 'recordInstrument',
        method: 'POST',
        path: '/instruments/{instrument}/recordings',
        body: NewRecording,
        permission: 'work',
        isOpenToKeys: false,
      },
      summary: 'Records a start with an instrument that can.',
      answer: { status: 200, type: 'Capture' },
    },
    {
      ...{
        id: 'moveSimulatedVehicle',
        method: 'POST',
        path: '/simulated-vehicle',
        body: SimulatedHands,
        permission: 'work',
        isOpenToKeys: false,
      },
      summary: 'Hands on the vehicle of the simulated instruments.',
      answer: { status: 200, type: 'SimulatedVehicleView' },
    },
    {
      ...{ id: 'listCaptures', method: 'GET', path: '/jobs/{job}/captures', query: PageQuery, isOpenToKeys: true },
      summary: 'Recorded files of a job, with what was found in them.',
      answer: { status: 200, type: 'CaptureView', isList: true, isPaged: true },
    },
    {
      ...{ id: 'listAlikeCaptures', method: 'GET', path: '/jobs/{job}/captures-alike', isOpenToKeys: false },
      summary: 'Recordings of vehicles like this one.',
      answer: { status: 200, type: 'AlikeCapture', isList: true },
    },
    {
      ...{
        id: 'announceCapture',
        method: 'POST',
        path: '/jobs/{job}/captures',
        body: NewCapture,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Announces a recorded file, which is then sent in pieces.',
      answer: { status: 201, type: 'CaptureView' },
    },
    {
      ...{
        id: 'storePiece',
        method: 'PUT',
        path: '/captures/{capture}/pieces/{number}',
        body: 'Bytes',
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'One piece of the file.',
      answer: { status: 204 },
    },
    {
      ...{
        id: 'storeFound',
        method: 'POST',
        path: '/captures/{capture}/found',
        body: CaptureFound,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'What was found in the file.',
      answer: { status: 201, type: 'CaptureView' },
    },
    {
      ...{ id: 'getCaptureFile', method: 'GET', path: '/captures/{capture}/file', isOpenToKeys: true },
      summary: 'The file as it was sent.',
      answer: { status: 200, media: 'application/octet-stream' },
    },
  ],
};

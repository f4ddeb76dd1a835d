import { FigureQuery } from '../figure-query';
import { VehicleQuery } from '../floor-query';
import { VehicleChanges } from '../new-job';
import { ImportMakerFigures, MakerFigures } from '../maker-figures';
import { PageQuery } from '../page-query';
import { RoundCheck, RoundPlan, VehicleUse } from '../rounds';
import { ImportVehicles, MoveJobs } from '../vehicles';
import type { OperationGroup } from './operation';

export const VEHICLES: OperationGroup = {
  name: 'Vehicles',
  about: 'Vehicles of the shop, their visits and makers’ figures.',
  operations: [
    {
      ...{ id: 'listVehicles', method: 'GET', path: '/vehicles', query: VehicleQuery, isOpenToKeys: true },
      summary: 'A page of the vehicles, the newest first, or those that hold some words.',
      answer: { status: 200, type: 'VehicleView', isList: true, isPaged: true },
    },
    {
      ...{ id: 'getVehicle', method: 'GET', path: '/vehicles/{vehicle}', isOpenToKeys: true },
      summary: 'One vehicle.',
      answer: { status: 200, type: 'VehicleView' },
    },
    {
      ...{
        id: 'changeVehicle',
        method: 'PATCH',
        path: '/vehicles/{vehicle}',
        body: VehicleChanges,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Changes what is told of a vehicle.',
      answer: { status: 200, type: 'VehicleView' },
    },
    {
      ...{ id: 'listVisits', method: 'GET', path: '/vehicles/{vehicle}/visits', isOpenToKeys: true },
      summary: 'Its visits, the newest first.',
      answer: { status: 200, type: 'VisitView', isList: true },
    },
    {
      ...{ id: 'getHistory', method: 'GET', path: '/vehicles/{vehicle}/history', isOpenToKeys: true },
      summary: 'Its visits with the figures of every series, the oldest first.',
      answer: { status: 200, type: 'HistoryVisit', isList: true },
    },
    {
      ...{ id: 'getKind', method: 'GET', path: '/vehicles/{vehicle}/kind', isOpenToKeys: true },
      summary: 'What other vehicles of its kind show in each series: the band of four of five.',
      answer: { status: 200, type: 'VehicleKindView' },
    },
    {
      ...{ id: 'listVehicleCaptures', method: 'GET', path: '/vehicles/{vehicle}/captures', isOpenToKeys: true },
      summary: 'Recordings of its visits, the newest first.',
      answer: { status: 200, type: 'VehicleCaptureView', isList: true },
    },
    {
      ...{
        id: 'noteUse',
        method: 'PUT',
        path: '/vehicles/{vehicle}/uses/{use}',
        body: VehicleUse,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Notes what odometer or hour meter show.',
      answer: { status: 204 },
    },
    {
      ...{
        id: 'moveJobs',
        method: 'POST',
        path: '/vehicles/{vehicle}/moves',
        body: MoveJobs,
        permission: 'see-all-jobs',
        isOpenToKeys: true,
      },
      summary: 'Moves jobs to another vehicle; all of them makes the two one.',
      answer: { status: 201, type: 'MoveView' },
    },
    {
      ...{
        id: 'undoMove',
        method: 'POST',
        path: '/vehicle-moves/{move}/undo',
        permission: 'see-all-jobs',
        isOpenToKeys: true,
      },
      summary: 'Takes a move back.',
      answer: { status: 200, type: 'MoveView' },
    },
    {
      ...{ id: 'listMakerFigures', method: 'GET', path: '/maker-figures', isOpenToKeys: true },
      summary: 'What makers say of engines and models, with its source.',
      answer: { status: 200, type: 'MakerFiguresView', isList: true },
    },
    {
      ...{ id: 'putMakerFigures', method: 'PUT', path: '/maker-figures/{figures}', body: MakerFigures },
      ...{ permission: 'see-all-jobs', isOpenToKeys: true },
      summary: 'Keeps or changes the figures of one engine or model.',
      answer: { status: 200, type: 'MakerFiguresView' },
    },
    {
      ...{ id: 'removeMakerFigures', method: 'DELETE', path: '/maker-figures/{figures}' },
      ...{ permission: 'see-all-jobs', isOpenToKeys: true },
      summary: 'Removes them.',
      answer: { status: 204 },
    },
    {
      ...{ id: 'importMakerFigures', method: 'POST', path: '/maker-figure-imports', body: ImportMakerFigures },
      ...{ permission: 'see-all-jobs', isOpenToKeys: true },
      summary: 'Brings in a table of them: known names are changed, others added.',
      answer: { status: 201, type: 'ImportedFiguresView' },
    },
    {
      ...{
        id: 'importVehicles',
        method: 'POST',
        path: '/vehicle-imports',
        body: ImportVehicles,
        permission: 'see-all-jobs',
        isOpenToKeys: true,
      },
      summary: 'Brings in a list of vehicles; tells what would change (200), or changes all of it (201).',
      answer: { status: 201, type: 'VehicleImportView' },
    },
    {
      ...{
        id: 'undoImport',
        method: 'POST',
        path: '/vehicle-imports/{import}/undo',
        permission: 'see-all-jobs',
        isOpenToKeys: true,
      },
      summary: 'Takes a whole import back.',
      answer: { status: 200, type: 'UndoneImportView' },
    },
  ],
};

export const ROUNDS: OperationGroup = {
  name: 'Rounds',
  about: 'Checks of many vehicles by plan.',
  operations: [
    {
      ...{ id: 'listRounds', method: 'GET', path: '/rounds', permission: 'see-all-jobs', isOpenToKeys: true },
      summary: 'The plans, each with how many vehicles are due.',
      answer: { status: 200, type: 'RoundView', isList: true },
    },
    {
      ...{
        id: 'listRoundVehicles',
        method: 'GET',
        path: '/rounds/{plan}/vehicles',
        query: PageQuery,
        permission: 'see-all-jobs',
        isOpenToKeys: true,
      },
      summary: 'A page of the vehicles of a round, what is due first standing first.',
      answer: { status: 200, type: 'RoundVehicle', isList: true, isPaged: true },
    },
    {
      ...{
        id: 'planRound',
        method: 'PUT',
        path: '/rounds/{plan}',
        body: RoundPlan,
        permission: 'see-all-jobs',
        isOpenToKeys: true,
      },
      summary: 'Plans a round, or changes it.',
      answer: { status: 200, type: 'RoundView' },
    },
    {
      ...{ id: 'endRound', method: 'DELETE', path: '/rounds/{plan}', permission: 'see-all-jobs', isOpenToKeys: true },
      summary: 'Ends a round.',
      answer: { status: 204 },
    },
    {
      ...{
        id: 'checkVehicle',
        method: 'POST',
        path: '/jobs/{job}/round-check',
        body: RoundCheck,
        permission: 'work',
        isOpenToKeys: true,
      },
      summary: 'Stores the check of one vehicle, whole; one that is clearly sound is closed.',
      answer: { status: 201, type: 'JobView' },
    },
    {
      ...{
        id: 'getRoundSheet',
        method: 'GET',
        path: '/rounds/{plan}/sheet',
        permission: 'see-all-jobs',
        isOpenToKeys: true,
      },
      summary: 'Every vehicle of a round by urgency.',
      answer: { status: 200, type: 'SheetRow', isList: true },
    },
    {
      ...{
        id: 'printRoundSheet',
        method: 'GET',
        path: '/rounds/{plan}/sheet.pdf',
        query: FigureQuery,
        permission: 'see-all-jobs',
        isOpenToKeys: true,
      },
      summary: 'The same as paper.',
      answer: { status: 200, media: 'application/pdf' },
    },
    {
      ...{ id: 'getRoundCalendar', method: 'GET', path: '/rounds.ics', permission: 'see-all-jobs', isOpenToKeys: true },
      summary: 'When each vehicle is due, as iCalendar (RFC 5545).',
      answer: { status: 200, media: 'text/calendar' },
    },
  ],
};

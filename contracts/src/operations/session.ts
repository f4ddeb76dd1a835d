import { ChangeOver, DemoSignIn, OwnSecrets, PairPhone, SignIn } from '../people';
import type { OperationGroup } from './operation';

const AT = '/api/session';

/** Of no shop: signing in, and what tells of the server. */
export const SESSION: OperationGroup = {
  name: 'Signing in, server',
  about: 'Sessions, and how the server is.',
  operations: [
    {
      ...{ id: 'getSession', method: 'GET', path: AT, isOpenToKeys: false },
      summary: 'Who is signed in.',
      answer: { status: 200, type: 'SessionView' },
    },
    {
      ...{ id: 'signIn', method: 'POST', path: AT, body: SignIn, isOpenToKeys: false },
      summary: 'Signs in with name and password.',
      answer: { status: 201, type: 'SessionView' },
    },
    {
      ...{ id: 'signInToDemo', method: 'POST', path: `${AT}/demo`, body: DemoSignIn, isOpenToKeys: false },
      summary: 'Lets into the demo.',
      answer: { status: 201, type: 'SessionView' },
    },
    {
      ...{ id: 'switchUser', method: 'POST', path: `${AT}/change-over`, body: ChangeOver, isOpenToKeys: false },
      summary: 'Switches the user of a device by PIN or password.',
      answer: { status: 200, type: 'SessionView' },
    },
    {
      ...{ id: 'joinByPhone', method: 'POST', path: `${AT}/phone`, body: PairPhone, isOpenToKeys: false },
      summary: 'Signs a phone in for one job.',
      answer: { status: 201, type: 'SessionView' },
    },
    {
      ...{ id: 'changeOwnSecrets', method: 'PUT', path: `${AT}/secrets`, body: OwnSecrets, isOpenToKeys: false },
      summary: 'Changes one’s own password or PIN.',
      answer: { status: 200, type: 'SessionView' },
    },
    {
      ...{ id: 'signOut', method: 'DELETE', path: AT, isOpenToKeys: false },
      summary: 'Signs out.',
      answer: { status: 204 },
    },
    {
      ...{ id: 'getHealth', method: 'GET', path: '/api/health', isOpenToKeys: true },
      summary: 'Whether the process answers.',
      answer: { status: 200, type: 'HealthView' },
    },
    {
      ...{ id: 'getReady', method: 'GET', path: '/api/ready', isOpenToKeys: true },
      summary: 'Whether the database answers too.',
      answer: { status: 200, type: 'HealthView' },
    },
    {
      ...{ id: 'getClock', method: 'GET', path: '/api/clock', isOpenToKeys: true },
      summary: 'The server’s time.',
      answer: { status: 200, type: 'ClockView' },
    },
    {
      ...{ id: 'getOpenApi', method: 'GET', path: '/api/openapi.json', isOpenToKeys: true },
      summary: 'This document.',
      answer: { status: 200, media: 'application/json' },
    },
  ],
};

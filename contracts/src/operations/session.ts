import { ChangeOver, DemoSignIn, OwnSecrets, PairPhone, SignIn } from '../people';
import { ANYBODY, AT_A_DEVICE, PEOPLE } from './operation';
import type { OperationGroup } from './operation';

/** Of no shop: signing in, and what tells of the server. */
export const SESSION = {
  name: 'Signing in, server',
  about: 'Sessions, and how the server is.',
  operations: {
    getSession: {
      method: 'GET',
      path: '/api/session',
      by: AT_A_DEVICE,
      summary: 'Who is signed in; where nobody is, the ways to sign in.',
      answer: { status: 200, type: 'SessionState' },
    },
    signIn: {
      method: 'POST',
      path: '/api/session',
      body: SignIn,
      bodyKind: 'sign-in',
      by: AT_A_DEVICE,
      summary: 'Signs in with name and password.',
      answer: { status: 201, type: 'SessionView' },
    },
    signInToDemo: {
      method: 'POST',
      path: '/api/session/demo',
      body: DemoSignIn,
      bodyKind: 'sign-in',
      by: AT_A_DEVICE,
      summary: 'Lets into the demo.',
      answer: { status: 201, type: 'SessionView' },
    },
    switchUser: {
      method: 'POST',
      path: '/api/session/change-over',
      body: ChangeOver,
      bodyKind: 'sign-in',
      by: PEOPLE,
      summary: 'Switches the user of a device by PIN or password.',
      answer: { status: 200, type: 'SessionView' },
    },
    joinByPhone: {
      method: 'POST',
      path: '/api/session/phone',
      body: PairPhone,
      bodyKind: 'sign-in',
      by: AT_A_DEVICE,
      summary: 'Signs a phone in for one job.',
      answer: { status: 201, type: 'SessionView' },
    },
    changeOwnSecrets: {
      method: 'PUT',
      path: '/api/session/secrets',
      body: OwnSecrets,
      bodyKind: 'sign-in',
      by: ['device', 'first'],
      summary: 'Changes one’s own password or PIN.',
      answer: { status: 200, type: 'SessionView' },
    },
    signOut: {
      method: 'DELETE',
      path: '/api/session',
      bodyKind: 'sign-in',
      by: AT_A_DEVICE,
      summary: 'Signs out.',
      answer: { status: 204 },
    },
    getHealth: {
      method: 'GET',
      path: '/api/health',
      by: ANYBODY,
      summary: 'Whether the process answers.',
      answer: { status: 200, type: 'HealthView' },
    },
    getReady: {
      method: 'GET',
      path: '/api/ready',
      by: ANYBODY,
      summary: 'Whether the database answers too.',
      answer: { status: 200, type: 'HealthView' },
    },
    getClock: {
      method: 'GET',
      path: '/api/clock',
      by: ANYBODY,
      summary: 'The server’s time.',
      answer: { status: 200, type: 'ClockView' },
    },
    getOpenApi: {
      method: 'GET',
      path: '/api/openapi.json',
      by: ANYBODY,
      summary: 'This document.',
      answer: { status: 200, media: 'application/json' },
    },
  },
} as const satisfies OperationGroup;

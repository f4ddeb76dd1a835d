import type { Observation } from '@tetrad/core';
import { onJob, asks } from './kind';
import type { OutboxKind } from './kind';

/** An observation that is taken back: the row stays with the time, and counts no longer. */
export interface TakeBackPayload {
  /** The observation's id, and what it said: views hold no ids of observations. */
  readonly observation: string;
  readonly said: Observation;
}

export const takeBack: OutboxKind<TakeBackPayload> = {
  request: ({ shop, job, observation }) => asks('takeBackObservation', [shop, job, observation], null),
  apply: onJob((job, { said }) => {
    const { observations = [] } = job.case;
    const at = observations.findLastIndex(
      ({ about, finding, pass = 'before' }) =>
        about === said.about && finding === said.finding && pass === (said.pass ?? 'before'),
    );
    return { ...job, case: { ...job.case, observations: observations.filter((_, index) => index !== at) } };
  }),
};

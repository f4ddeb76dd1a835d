/** The table of all kinds; types and the outbox itself are made from it. */
import { acknowledgement } from './acknowledgement';
import { acknowledgementBack } from './acknowledgement-back';
import { changes } from './changes';
import type { OutboxKind } from './kind';
import { newJob } from './new-job';
import { observation } from './observation';
import { outcome } from './outcome';
import { reading } from './reading';
import { roundCheck } from './round-check';
import { signOff } from './sign-off';
import { takeBack } from './take-back';
import { timer } from './timer';
import { timerStop } from './timer-stop';
import { voidReading } from './void';

export const OUTBOX_KINDS = {
  'new-job': newJob,
  reading,
  void: voidReading,
  observation,
  'take-back': takeBack,
  changes,
  timer,
  'timer-stop': timerStop,
  acknowledgement,
  'acknowledgement-back': acknowledgementBack,
  'sign-off': signOff,
  outcome,
  'round-check': roundCheck,
};
export type OutboxKindName = keyof typeof OUTBOX_KINDS;
/** What an item of a kind carries. */
export type PayloadOf<K extends OutboxKindName> =
  (typeof OUTBOX_KINDS)[K] extends OutboxKind<infer Payload> ? Payload : never;

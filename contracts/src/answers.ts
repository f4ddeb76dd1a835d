/** Small answers that no other file of contracts tells. */
import type { Judgement, Profile } from '@tetrad/core';
import type { ShopView } from './views';

/** A judgement of a job, told by when and by what it was made. */
export interface PastJudgementView {
  readonly seq: number;
  readonly at: string;
  readonly criteria: { readonly id: string; readonly version: number };
  readonly coreVersion: string;
}
/** What was said then, whole. */
export interface StoredJudgementView {
  readonly document: Judgement;
  readonly profile: Profile;
}
/** The key of a QR code by which a phone joins one job. */
export interface PairingView {
  readonly key: string;
  readonly openUntil: string;
}
/** How many jobs a move took along. */
export interface MoveView {
  readonly id: string;
  readonly moved: number;
}
export interface UndoneImportView {
  readonly id: string;
  readonly vehicles: number;
}
export interface EndedSessionsView {
  readonly ended: number;
}
export interface ShopSettingsView extends ShopView {
  readonly forgetsAtSignOut: boolean;
  readonly instrumentHosts: readonly string[];
}
export interface HealthView {
  readonly status: string;
}
/** The server's time, ms since 1970. */
export interface ClockView {
  readonly now: number;
}

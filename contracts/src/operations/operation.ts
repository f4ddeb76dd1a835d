import type { SessionKind } from '../people';
import type { PermissionName } from '../roles';
import type { AnswerTypes } from './answer-types';

/** What an operation answers: an object of contracts by the name of its type, a list of them, a file, or nothing. */
export type OperationAnswer =
  | { readonly status: number; readonly type: keyof AnswerTypes; readonly isList?: boolean; readonly isPaged?: boolean }
  | { readonly status: number; readonly media: string }
  | { readonly status: number };

/** A kind of session, or nobody who is signed in. */
export type Asker = SessionKind | 'nobody';

/** How much a body may hold, and how it is read; the figures are the server's. */
export type BodyKind = 'sign-in' | 'usual' | 'findings' | 'case' | 'bytes';

/**
 * One operation of the HTTP interface. The server registers its routes from it, the client asks by it, and the OpenAPI
 * document is written from it.
 */
export interface Operation {
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** Below `/api/shops/{shop}`, or whole where it begins with `/api/`. */
  readonly path: string;
  /** Class of the body, or the name of a schema of the open format. */
  readonly body?: (new () => object) | string;
  /** Absent: `usual`. */
  readonly bodyKind?: BodyKind;
  readonly query?: new () => object;
  /** Sessions that may ask it. A phone asks of its own job alone. */
  readonly by: readonly Asker[];
  /** Who of them may ask it; absent: everybody. */
  readonly permission?: PermissionName;
  /** Who may ask it about another `{person}` than oneself. */
  readonly ofOthers?: PermissionName;
  readonly summary: string;
  readonly answer: OperationAnswer;
}

/** A group of operations, as the document shows them. */
export interface OperationGroup {
  readonly name: string;
  /** What it is about, in a sentence. */
  readonly about: string;
  /** By their names in the document. */
  readonly operations: Readonly<Record<string, Operation>>;
}

export const PEOPLE = ['device'] as const;
export const PEOPLE_AND_KEYS = ['device', 'key'] as const;
/** People, and the phone beside a job. */
export const AT_THE_JOB = ['device', 'phone'] as const;
export const AT_THE_JOB_AND_KEYS = ['device', 'phone', 'key'] as const;
/** Whoever holds a device, signed in or not. */
export const AT_A_DEVICE = ['nobody', 'first', 'device', 'phone'] as const;
export const ANYBODY = [...AT_A_DEVICE, 'key'] as const;

export const SHOP_PATH = '/api/shops/{shop}';

import 'reflect-metadata';
import {
  ArrayMaxSize,
  ArrayNotEmpty,
  IsArray,
  IsIn,
  IsInt,
  IsString,
  IsUUID,
  IsUrl,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import { NO_KIND_PREFIX } from './people';
import type { Role } from './roles';

const ID = { message: 'a UUID' };
const NAME = { message: 'a name of 1 to 80 characters that begins with neither key: nor import:' };
/** A key never has the role of an administrator: people and keys are managed by people. */
export const KEY_ROLES = ['apprentice', 'technician', 'lead'] as const satisfies readonly Role[];
export type KeyRole = (typeof KEY_ROLES)[number];
const KEY_ROLE = { message: `one of ${KEY_ROLES.join(', ')}` };
const DAYS = { message: 'a whole number of days, 1 to 730' };

/** The body that makes a key for one of the shop's own programs. */
export class NewApiKey {
  @IsUUID('all', ID)
  id!: string;

  @IsString(NAME)
  @Length(1, 80, NAME)
  @Matches(NO_KIND_PREFIX, NAME)
  name!: string;

  @IsIn(KEY_ROLES, KEY_ROLE)
  role!: KeyRole;

  @IsInt(DAYS)
  @Min(1, DAYS)
  @Max(730, DAYS)
  days!: number;
}

export interface ApiKeyView {
  readonly id: string;
  readonly name: string;
  readonly role: KeyRole;
  readonly createdBy: string;
  readonly createdAt: string;
  readonly expiresAt: string;
  readonly revokedAt: string | null;
  /** About when it was used last; null where it never was. */
  readonly usedAt: string | null;
}
/** A key that was made just now; it is shown once and kept nowhere. */
export interface NewApiKeyView extends ApiKeyView {
  readonly key: string;
}

/** What a webhook may be told of. */
export const WEBHOOK_EVENTS = ['job.decided', 'job.signed-off', 'round.due'] as const;
export type WebhookEvent = (typeof WEBHOOK_EVENTS)[number];
const EVENTS = { message: `some of ${WEBHOOK_EVENTS.join(', ')}` };
const URL_ALLOWED = { message: 'an address that begins with https:// or http://, at most 500 characters' };

/** The body that sets an address to be told. */
export class WebhookBody {
  @IsString(URL_ALLOWED)
  @MaxLength(500, URL_ALLOWED)
  @IsUrl({ protocols: ['https', 'http'], require_protocol: true, require_tld: false, disallow_auth: true }, URL_ALLOWED)
  url!: string;

  @IsArray(EVENTS)
  @ArrayNotEmpty(EVENTS)
  @ArrayMaxSize(WEBHOOK_EVENTS.length, EVENTS)
  @IsIn(WEBHOOK_EVENTS, { each: true, ...EVENTS })
  events!: WebhookEvent[];
}

export interface WebhookView {
  readonly id: string;
  readonly url: string;
  readonly events: readonly WebhookEvent[];
  /** Signs what is sent: the receiver checks it (Standard Webhooks, `whsec_…`). */
  readonly secret: string;
  /** It came with a copy of its shop, and sends nothing before it is set again. */
  readonly isOff: boolean;
}

/** One message to a webhook, and what came of it. */
export interface DeliveryView {
  readonly id: string;
  readonly event: string;
  readonly createdAt: string;
  readonly attempts: number;
  readonly deliveredAt: string | null;
  readonly gaveUpAt: string | null;
  /** When it is tried again; null where it is not. */
  readonly nextAt: string | null;
  /** What the receiver answered last, or why none came. */
  readonly answer: string | null;
}

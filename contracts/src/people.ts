import 'reflect-metadata';
import { Transform } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsEmail,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
} from 'class-validator';
import { ROLES } from './roles';
import type { Role } from './roles';
import { PIN_DIGITS } from './sizes';

/** What a shop is named by in addresses, options and files. */
export const SHOP_ID = /^[a-z0-9-]{1,40}$/;
const SHOP = { message: 'the short name of a shop: 1 to 40 of a to z, 0 to 9 and -' };
const NAME = { message: 'a name of 1 to 80 characters' };
const ROLE = { message: `one of ${ROLES.join(', ')}` };
const EMAIL = { message: 'an e-mail address of at most 200 characters, or nothing' };
const UUID = { message: 'a UUID' };
/** Long enough that guessing it is hopeless at the pace that is allowed (OWASP ASVS 4.0.3, 2.1.1). */
const NEW_PASSWORD = { message: 'a password of 12 to 128 characters' };
const PASSWORD = { message: 'a password of 1 to 128 characters' };
const PIN = { message: `${PIN_DIGITS} digits` };
const PIN_FORM = new RegExp(`^[0-9]{${PIN_DIGITS}}$`);

/** Signs a person in on a device, with the password. */
export class SignIn {
  @Matches(SHOP_ID, SHOP)
  shop!: string;

  @IsString(NAME)
  @Length(1, 80, NAME)
  name!: string;

  @IsString(PASSWORD)
  @Length(1, 128, PASSWORD)
  password!: string;
}

/** Another person takes over a device that is signed in: by PIN, or by password where the PIN is not enough. */
export class ChangeOver {
  @IsUUID('all', UUID)
  person!: string;

  @IsOptional()
  @Matches(PIN_FORM, PIN)
  pin?: string;

  @IsOptional()
  @IsString(PASSWORD)
  @Length(1, 128, PASSWORD)
  password?: string;
}

/** The demo's own way in. */
export class DemoSignIn {
  @IsOptional()
  @Matches(SHOP_ID, SHOP)
  shop?: string;
}

/** A phone takes its place beside a job. */
export class PairPhone {
  @Matches(/^[a-z0-9-]{1,40}\.[A-Za-z0-9_-]{43}$/, { message: 'the key of a QR code that is shown on the bench' })
  key!: string;
}

/** A person's own password and PIN. */
export class OwnSecrets {
  @IsString(PASSWORD)
  @Length(1, 128, PASSWORD)
  password!: string;

  @IsOptional()
  @IsString(NEW_PASSWORD)
  @Length(12, 128, NEW_PASSWORD)
  newPassword?: string;

  @IsOptional()
  @Matches(PIN_FORM, PIN)
  pin?: string;
}

/** What stands before the name of a key wherever it did something. */
export const KEY_NAME_PREFIX = 'key:';
/** A name that says of itself that it is a key's, or of an import, is nobody's. */
export const NO_KIND_PREFIX = /^(?!\s*(?:key|import)\s*:)/i;

/** A new account; the answer holds its one-time password, once. */
export class NewPerson {
  @IsUUID('all', UUID)
  id!: string;

  @IsString(NAME)
  @Length(1, 80, NAME)
  @Matches(NO_KIND_PREFIX, { message: 'a name that begins with neither key: nor import:' })
  name!: string;

  @IsIn(ROLES, ROLE)
  role!: Role;
}

/** What an administrator changes of an account. */
export class PersonChanges {
  @IsOptional()
  @IsIn(ROLES, ROLE)
  role?: Role;

  @IsOptional()
  @IsBoolean({ message: 'true or false' })
  active?: boolean;

  /** What the shop's own accounts know the person by; empty for nobody. */
  @IsOptional()
  @ValidateIf(({ email }: PersonChanges) => email !== '')
  @IsEmail({}, EMAIL)
  @MaxLength(200, EMAIL)
  email?: string;
}

export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly active: boolean;
  readonly hasPin: boolean;
  /** For single sign-on. */
  readonly email: string | null;
  /** Until when the one-time password opens that nobody has used yet; null where there is none. */
  readonly oneTimeUntil: string | null;
}

/** A session that goes on: a device, a phone, or somebody who has a one-time password. */
export interface OpenSessionView {
  readonly id: string;
  readonly kind: SessionKind;
  readonly begunAt: string;
  readonly endsAt: string;
  /** The network address it was begun from. */
  readonly address: string | null;
  /** Of a phone: the job it may see. */
  readonly job: string | null;
  /** Whether it is the one that asks. */
  readonly isThis: boolean;
}

const MAX_HOSTS = 50;
const HOST = /^(\[[0-9a-f:]+\]|[a-z0-9.-]{1,100}):\d{1,5}$/;
const HOSTS = { message: `at most ${MAX_HOSTS} of host:port, such as 192.168.1.20:5025, in small letters` };

/** What a shop chooses for all its devices. */
export class ShopChanges {
  /** Whether jobs that are kept on a device for work without the server are removed when somebody signs out of it. */
  @IsBoolean({ message: 'true or false' })
  forgetsAtSignOut!: boolean;

  /** Where instruments may be read, each `host:port`: the server connects nowhere else. As they were where absent. */
  @IsOptional()
  @IsArray(HOSTS)
  @ArrayMaxSize(MAX_HOSTS, HOSTS)
  @IsString({ each: true, ...HOSTS })
  @Matches(HOST, { each: true, ...HOSTS })
  @MaxLength(110, { each: true, ...HOSTS })
  instrumentHosts?: string[];
}

/** An account with the password that it is opened with the first time; it is shown once and kept nowhere. */
export interface OpenedPerson extends PersonView {
  readonly oneTimePassword: string;
}

/** How far a session reaches: a device, a phone beside one job, nothing but the choice of a password, or a program's key. */
export type SessionKind = 'device' | 'phone' | 'first' | 'key';

/** Who is signed in on this device. */
export interface SessionView {
  readonly kind: SessionKind;
  readonly person: { readonly id: string; readonly name: string; readonly role: Role };
  readonly shop: { readonly id: string; readonly name: string; readonly forgetsAtSignOut: boolean };
  /** Of a phone: the job it may see. */
  readonly job: string | null;
  readonly endsAt: string;
  /** People of this shop may sign in with accounts of its own. */
  readonly hasSingleSignOn: boolean;
  /** Who may take this device over by PIN: nobody above whoever signed it in. Others need their password. */
  readonly rolesByPin: readonly Role[];
  /** In the demo, the shops whose made-up people one may be. */
  readonly demoShops: readonly { readonly id: string; readonly name: string }[];
}

/** Nobody is signed in on a device: the ways to sign in, beside name and password. */
export interface NobodyView {
  readonly kind: 'nobody';
  /** The demo lets this device in. */
  readonly isDemo: boolean;
  /** The shop whose people may come with accounts of its own. */
  readonly singleSignOn: string | null;
}

/** Who is signed in on a device, or that nobody is. */
export type SessionState = SessionView | NobodyView;

/** What is known of backups. */
export interface BackupsView {
  /** Whether this server makes them by itself. */
  readonly isScheduled: boolean;
  readonly count: number;
  readonly newest: { readonly at: string; readonly bytes: number } | null;
}

const BEFORE = { message: 'the number of an entry' };
/** No log grows beyond fifteen digits. */
const MOST_ENTRIES = 999_999_999_999_999;

/** Which entries of the audit log are asked for. */
export class AuditLogQuery {
  /** The number of an entry: those before it are told. */
  @IsOptional()
  @Transform(({ value }) => (/^\d{1,15}$/.test(String(value)) ? Number(value) : value))
  @IsInt(BEFORE)
  @Min(1, BEFORE)
  @Max(MOST_ENTRIES, BEFORE)
  before?: number;
}

/** An entry of the audit log. */
export interface ActView {
  readonly seq: number;
  readonly at: string;
  readonly person: string | null;
  readonly what: string;
  readonly about: string | null;
  readonly from: string | null;
  readonly hash: string;
}

/** Passwords, PINs and tokens: how they are made, kept and compared. */
import { createHash, createHmac, randomBytes } from 'node:crypto';
import argon2 from 'argon2';

/** Argon2id at 19 MiB and two passes: OWASP Password Storage Cheat Sheet, 2024. */
export const ARGON = { type: argon2.argon2id, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;
const TOKEN_BYTES = 32;
/** Of a one-time password: letters and digits that are not taken for one another, 31 of them. */
const READABLE = 'abcdefghjkmnpqrstuvwxyz23456789';
const ONE_TIME_LENGTH = 16;

export const hashSecret = (secret: string): Promise<string> => argon2.hash(secret, ARGON);

let nobodys: Promise<string> | null = null;

/** Whether the secret is the one hashed. It takes as long where there is no hash, so that nobody learns who has an account. */
export async function isSecret(secret: string, hash: string | null): Promise<boolean> {
  nobodys ??= hashSecret(newToken());
  const isRight = await argon2.verify(hash ?? (await nobodys), secret);
  return isRight && hash !== null;
}

/** A random token of 256 bits. */
export const newToken = (bytes: RandomBytes = () => randomBytes(TOKEN_BYTES)): string => bytes().toString('base64url');
/** What is kept of a token: it is random, so that a plain hash is enough. */
export const tokenHash = (token: string): Buffer => createHash('sha256').update(token).digest();

/** Random bytes, as many as are taken. */
export type RandomBytes = () => Buffer;
const anyBytes: RandomBytes = () => randomBytes(TOKEN_BYTES);

/** Bytes that follow from a secret and what they are for: a write that is repeated makes the same token again. */
export function bytesFor(secret: string, purpose: string): RandomBytes {
  let taken = 0;
  return () => createHmac('sha256', secret).update(`${purpose} ${taken++}`).digest();
}

/** A password that is read from a screen and typed once: 79 bits. */
export const oneTimePassword = (bytes: RandomBytes = anyBytes): string => {
  const most = 256 - (256 % READABLE.length); // bytes above would favour some letters
  let letters = '';
  while (letters.length < ONE_TIME_LENGTH)
    for (const byte of bytes())
      if (byte < most && letters.length < ONE_TIME_LENGTH) letters += READABLE[byte % READABLE.length];
  return letters.replace(/(.{4})(?=.)/g, '$1-');
};

/**
 * What every body must be before anybody reads it: text that PostgreSQL and people can read, figures that are figures,
 * and no deeper than anything real. Text is brought to one form (Unicode NFC); what cannot be text is refused by field.
 */
import type { RequestHandler } from 'express';
import { misfit } from './problem';

/** Lists and objects in one another; a case in the open format needs eight. */
const MOST_DEEP = 32;
/** Control characters but tab, line feed and return, and halves of surrogate pairs. */
const UNREADABLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]|\p{Surrogate}/u;
/** Names that mean something to the language itself. */
const NOT_NAMES = new Set(['__proto__', 'constructor', 'prototype']);

const shown = (text: string): string => JSON.stringify(text.length > 40 ? `${text.slice(0, 40)}…` : text);

/** @throws Refusal naming the field, what was found and what is allowed. */
export function cleaned(value: unknown, field: string, deep = 0): unknown {
  if (typeof value === 'string') {
    if (UNREADABLE.test(value))
      throw misfit([
        { field: field || 'body', found: shown(value), allowed: 'text without control characters and half characters' },
      ]);
    return value.normalize('NFC');
  }
  if (typeof value === 'number' && !Number.isFinite(value))
    throw misfit([
      { field: field || 'body', found: 'a number beyond all bounds', allowed: 'a number of at most 1.7e308' },
    ]);
  if (typeof value !== 'object' || value === null) return value;
  if (deep >= MOST_DEEP)
    throw misfit([
      {
        field: field || 'body',
        found: 'something deeper',
        allowed: `at most ${MOST_DEEP} levels of lists and objects`,
      },
    ]);
  if (Array.isArray(value)) return value.map((entry, at) => cleaned(entry, `${field}[${at}]`, deep + 1));
  const out: Record<string, unknown> = {};
  for (const [name, entry] of Object.entries(value)) {
    const path = field ? `${field}.${name}` : name;
    if (name === '' || NOT_NAMES.has(name) || UNREADABLE.test(name))
      throw misfit([{ field: path.slice(0, 200) || '""', found: shown(name), allowed: 'another name of a field' }]);
    out[name.normalize('NFC')] = cleaned(entry, path, deep + 1);
  }
  return out;
}

/** Cleans the body, the query and the address. */
export const cleanRequest: RequestHandler = (request, _response, next) => {
  if (request.body !== undefined && !Buffer.isBuffer(request.body)) request.body = cleaned(request.body, '');
  cleaned({ ...request.query }, '');
  cleaned(decodeURIComponent(request.path), 'address');
  next();
};

/**
 * What every body must be before anybody reads it: not too much of it, text that PostgreSQL and people can read, figures
 * that are figures, and no deeper than anything real. Text is brought to one form (Unicode NFC); what cannot be text is
 * refused by field.
 */
import type { Request } from 'express';
import { Refusal, misfit, problem } from './problem';

/** Lists and objects in one another; a case in the open format needs eight. */
const MAX_DEPTH = 32;
/** Fields of one object; the largest of the open format has some forty, and unknown ones are kept. */
const MAX_FIELDS = 200;
/** Control characters but tab, line feed and return, and halves of surrogate pairs. */
const UNREADABLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]|\p{Surrogate}/u;
/** Characters of text beyond ASCII in one body: bringing them to one form takes time. */
const MAX_RICH_TEXT = 60_000;
const PLAIN = /^[\t\n\r\u0020-\u007e]*$/;
/**
 * More combining marks in a row than any writing has: putting them in order takes a time that grows with the square of
 * their number. The bound is that of the Stream-Safe Text Format (Unicode Standard Annex #15, section 13).
 */
const LONG_RUN = /\p{M}{31}/u;
/** Names that mean something to the language itself. */
const NOT_NAMES = new Set(['__proto__', 'constructor', 'prototype']);

const shown = (text: string): string => JSON.stringify(text.length > 40 ? `${text.slice(0, 40)}…` : text);

/** @throws Refusal naming the field, what was found and what is allowed. */
export function cleaned(value: unknown, field: string, maxValues = Infinity): unknown {
  return new Cleaning(maxValues).of(value, field, 0);
}

class Cleaning {
  #left: number;
  #richTextLeft = MAX_RICH_TEXT;

  constructor(private readonly maxValues: number) {
    this.#left = maxValues;
  }

  of(value: unknown, field: string, depth: number): unknown {
    if (typeof value === 'string') return this.#text(value, field);
    if (typeof value === 'number' && !Number.isFinite(value))
      throw refused(field, 'a number beyond all bounds', 'a number of at most 1.7e308');
    if (typeof value !== 'object' || value === null) return value;
    if (depth >= MAX_DEPTH)
      throw refused(field, 'something deeper', `at most ${MAX_DEPTH} levels of lists and objects`);
    if (Array.isArray(value)) {
      this.#count(value.length);
      return value.map((entry, at) => this.of(entry, `${field}[${at}]`, depth + 1));
    }
    return this.#object(value as Record<string, unknown>, field, depth);
  }

  #object(value: Record<string, unknown>, field: string, depth: number): object {
    const names = Object.keys(value);
    if (names.length > MAX_FIELDS) throw refused(field, `${names.length} fields`, `at most ${MAX_FIELDS} fields`);
    this.#count(names.length);
    const out: Record<string, unknown> = {};
    for (const name of names) {
      const path = field ? `${field}.${name}` : name;
      if (name === '' || NOT_NAMES.has(name) || UNREADABLE.test(name) || LONG_RUN.test(name))
        throw refused(path.slice(0, 200) || '""', shown(name), 'another name of a field');
      out[name.normalize('NFC')] = this.of(value[name], path, depth + 1);
    }
    return out;
  }

  #text(value: string, field: string): string {
    if (PLAIN.test(value)) return value;
    this.#richTextLeft -= value.length;
    if (this.#richTextLeft < 0)
      throw refused(field, shown(value), `at most ${MAX_RICH_TEXT} characters beyond ASCII in one body`);
    if (UNREADABLE.test(value))
      throw refused(field, shown(value), 'text without control characters and half characters');
    if (LONG_RUN.test(value)) throw refused(field, shown(value), 'text with at most 30 combining marks in a row');
    return value.normalize('NFC');
  }

  /** @throws Refusal where all lists and objects together hold too much. */
  #count(values: number): void {
    this.#left -= values;
    if (this.#left >= 0) return;
    const errors = [
      { field: 'body', found: `more than ${this.maxValues} values`, allowed: `at most ${this.maxValues} values` },
    ];
    throw new Refusal(
      problem(
        413,
        'too-many-values',
        `The body holds more than ${this.maxValues} values in lists and objects.`,
        errors,
      ),
    );
  }
}

const refused = (field: string, found: string, allowed: string): Refusal =>
  misfit([{ field: field || 'body', found, allowed }]);

/** Cleans the body, the query and the address. @param maxValues Fields and entries that the body may hold. */
export function cleanRequest(request: Request, maxValues: number): void {
  if (request.body !== undefined && !Buffer.isBuffer(request.body)) request.body = cleaned(request.body, '', maxValues);
  cleaned({ ...request.query }, '');
  cleaned(decodeURIComponent(request.path), 'address');
}

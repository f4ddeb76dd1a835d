import type { Misfit, Wanted } from '../../format/misfit';

/**
 * What is allowed at a place, for people.
 *
 * @throws Error for a kind of misfit that has no words.
 * @example allowedWords({ code: 'number', with: { min: 0, unit: 'V' } }) // 'a number, at least 0 (V)'
 */
export function allowedWords(wanted: Wanted): string {
  switch (wanted.code) {
    case 'number': {
      const { min, max, above, unit } = wanted.with;
      const bounds = [
        above === undefined ? '' : `above ${above}`,
        min === undefined ? '' : `at least ${min}`,
        max === undefined ? '' : `at most ${max}`,
      ].filter(Boolean);
      return ['a number', ...bounds].join(', ') + (unit ? ` (${unit})` : '');
    }
    case 'whole-number':
      return `a whole number from ${wanted.with.min} to ${wanted.with.max}`;
    case 'text':
      return wanted.with.min > 0
        ? `text of ${wanted.with.min} to ${wanted.with.max} characters`
        : `text of at most ${wanted.with.max} characters`;
    case 'one-of':
      return `one of ${wanted.with.words.join(', ')}`;
    case 'list':
      return `a list of ${wanted.with.min} to ${wanted.with.max} entries`;
    case 'flag':
      return 'true or false';
    case 'day':
      return 'a day, like 2026-03-02';
    case 'time':
      return 'a date and time with its zone, like 2026-03-02T09:14:00Z';
    case 'object':
      return 'an object';
    case 'null':
      return 'null';
    case 'json':
      return 'a JSON document';
    case 'either':
      return `${allowedWords(wanted.with.first)}, or ${allowedWords(wanted.with.second)}`;
    case 'reason-for-null':
      return `one of ${wanted.with.words.join(', ')}, since value is null`;
    case 'own-id':
      return `an id of its own: ${wanted.with.takenBy} has it already`;
    case 'no-field':
      return `no such field; known are ${wanted.with.known.join(', ')}`;
    case 'less-unknown':
      return `at most ${wanted.with.maxBytes} characters of fields that the format does not know`;
    default:
      throw new Error(`unknown kind of misfit ${JSON.stringify(wanted satisfies never)}`);
  }
}

/** A misfit as people and problem documents are told it. */
export const misfitWords = ({ path, found, wanted }: Misfit): { path: string; found: string; allowed: string } => ({
  path,
  found,
  allowed: allowedWords(wanted),
});

/** All misfits as one sentence for people. */
export const describeMisfits = (misfits: readonly Misfit[]): string =>
  misfits
    .map(misfitWords)
    .map(({ path, found, allowed }) => `${path}: found ${found}, allowed is ${allowed}`)
    .join('; ');

/** Limits in words: their figures, where they apply, and why they are what they are. */
import type { Limit } from '../../criteria/criteria-set';
import { ruleFields } from '../../criteria/criteria-shape';
import type { RuleField } from '../../criteria/rules/rule';
import { noteOf } from '../../criteria/limit-notes';
import type { TestName } from '../../format/names';
import type { FigureFormat } from '../../quantities/figure-format';
import { TESTS } from '../../trade/tables';
import { capital, lower } from './names';

/** A figure of a limit with its unit. @param value In the field's unit. */
export function figureWords(value: number, { unit }: RuleField, test: TestName, format: FigureFormat): string {
  switch (unit) {
    case 'V':
      return format.volts(value);
    case 'A':
      return format.amps(value);
    case 'share':
      return format.share(value);
    case 'SG':
      return format.plain(value, 3);
    case 'min':
      return `${format.plain(value, 0)} min`;
    case 'test':
      return format.quantity(value, TESTS[test].unit);
    case '':
      return format.plain(value, 0);
    default:
      throw new Error(`unknown unit ${JSON.stringify(unit satisfies never)}`);
  }
}

/** The figures of a limit in words: `At least 13.50 V, at most 14.80 V`. */
export function limitWords({ rule, test }: Limit, format: FigureFormat): string {
  const fields = ruleFields(rule.kind);
  const words = Object.entries(rule).flatMap(([name, value]) => {
    const field = fields[name];
    if (!field) return [];
    if (Array.isArray(value)) {
      const points = value as readonly (readonly [number, number])[];
      const [cold, warm] = [points[0]!, points.at(-1)!];
      return [
        `${lower(field.name)}: ${format.volts(cold[1])} at ${format.celsius(cold[0])} to ${format.volts(warm[1])} at ${format.celsius(warm[0])}`,
      ];
    }
    return [`${lower(field.name)} ${figureWords(value as number, field, test, format)}`];
  });
  if (words.length === 0) return rule.kind === 'blocks' ? 'Shows OL' : 'Usual draw of the engine';
  const text = words.join(', ');
  return capital(text);
}

/** Where a limit applies, in words; empty where it does everywhere. */
export const whenWords = ({ when = {} }: Limit): string =>
  [
    when.fuel,
    when.regulation && `${when.regulation} regulation`,
    when.loads && `loads ${when.loads}`,
    when.methods?.join(', '),
  ]
    .filter(Boolean)
    .join(' · ');

/** Why a limit is what it is. @param say Writes a message out. */
export function reasonWords(limit: Limit, say: (message: ReturnType<typeof noteOf>) => string): string {
  return typeof limit.note === 'string' ? say(noteOf(limit, 1)) : limit.note.text;
}

/** What tells one limit of a set from another: its test, its kind and where it applies. */
export const limitKey = (limit: Limit): string => `${limit.test} ${limit.rule.kind} ${whenWords(limit)}`;

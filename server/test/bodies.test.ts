/** Every field of every body that a route takes is bounded to its leaves: none is stored as it happened to be sent. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import * as contracts from '@tetrad/contracts';
import { getMetadataStorage } from 'class-validator';

const SOURCE = join(__dirname, '../src');
const sources = readdirSync(SOURCE, { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.ts'))
  .map((name) => readFileSync(join(SOURCE, name), 'utf8'));
/** Classes that routes read bodies and queries by. */
const used = [
  ...new Set(sources.flatMap((text) => [...text.matchAll(/(?:bodyAs|queryAs)\((\w+),/g)].map(([, name]) => name!))),
];

/** Rules by any of which a field is bounded by itself, and pairs that bound it together. */
const ALONE = ['fits', 'isUuid', 'isIn', 'isBoolean', 'matches', 'isISO8601', 'isLength', 'nestedValidation'];
const TOGETHER = [
  ['isString', 'maxLength'],
  ['isEmail', 'maxLength'],
  ['isInt', 'min', 'max'],
  ['isNumber', 'min', 'max'],
];

it('there are such classes, and the contracts know them', () => {
  expect(used.length).toBeGreaterThan(15);
  expect(used.filter((name) => !(name in contracts))).toEqual([]);
});

it.each(used)('%s', (name) => {
  const found = getMetadataStorage().getTargetValidationMetadatas(
    contracts[name as keyof typeof contracts] as unknown as () => void,
    '',
    false,
    false,
  );
  const fields = new Map<string, { rules: string[]; isList: boolean }>();
  for (const { propertyName, name: rule, type, each } of found) {
    const field = fields.get(propertyName) ?? { rules: [], isList: false };
    field.rules.push(rule ?? type);
    field.isList ||= each;
    fields.set(propertyName, field);
  }
  expect(fields.size).toBeGreaterThan(0);
  const unbounded = [...fields].filter(([, { rules, isList }]) => {
    const has = (rule: string) => rules.includes(rule);
    const isBounded = ALONE.some(has) || TOGETHER.some((all) => all.every(has));
    return !isBounded || (isList && !has('arrayMaxSize'));
  });
  expect(unbounded.map(([field, { rules }]) => `${field}: ${rules.join(', ')}`)).toEqual([]);
});

/** Every field of every body that a route takes is bounded to its leaves: none is stored as it happened to be sent. */
import { OPERATIONS } from '@tetrad/contracts/operations';
import { getMetadataStorage } from 'class-validator';

/** Classes that operations take as body or query. */
const used = new Map(
  OPERATIONS.flatMap(({ body, query }) => [body, query])
    .filter((one) => typeof one === 'function')
    .map((one) => [one.name, one]),
);

/** Rules by any of which a field is bounded by itself, and pairs that bound it together. */
const ALONE = ['fits', 'isUuid', 'isIn', 'isBoolean', 'matches', 'isISO8601', 'isLength', 'nestedValidation'];
const TOGETHER = [
  ['isString', 'maxLength'],
  ['isEmail', 'maxLength'],
  ['isInt', 'min', 'max'],
  ['isNumber', 'min', 'max'],
];

it.each([...used])('%s', (_name, one) => {
  const found = getMetadataStorage().getTargetValidationMetadatas(one, '', false, false);
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

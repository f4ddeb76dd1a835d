/** Bodies that are nearly right, made from the server's own description: each leaf fits, or is something odd. */
import { randomBytes, randomUUID } from 'node:crypto';

export const pick = (list) => list[Math.floor(Math.random() * list.length)];
const chance = (share) => Math.random() < share;

export const ODD = [
  'nul \u0000',
  '\ud83d',
  '',
  'x'.repeat(9000),
  null,
  true,
  -1,
  0,
  1e308,
  1e18,
  2 ** 53,
  [],
  {},
  [[[]]],
  { constructor: 1 },
  { __proto__: 1 },
  { lamp: 'good' },
  "'; DROP TABLE job; --",
  '../../etc/passwd',
  '2026-02-30',
  'Infinity',
  'NaN',
  randomBytes(40).toString('latin1'),
];
/** Share of the leaves that are odd; one in a body is enough to be refused, so most bodies must have few. */
const ODD_SHARE = 0.06;

/** A value that fits a JSON Schema, but for its odd leaves. */
function fromSchema(schema, depth = 0) {
  if (chance(ODD_SHARE)) return pick(ODD);
  const one = schema.anyOf ?? schema.oneOf;
  if (one) return fromSchema(pick(one), depth);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return pick(schema.enum);
  switch (schema.type) {
    case 'null':
      return null;
    case 'boolean':
      return chance(0.5);
    case 'integer':
    case 'number':
      return number(schema);
    case 'array':
      return Array.from({ length: (schema.minItems ?? 0) + Math.floor(Math.random() * 3) }, () =>
        fromSchema(schema.items ?? {}, depth + 1),
      );
    case 'object':
      return object(schema, depth);
    default:
      return 'abc';
  }
}

function number({ type, minimum, exclusiveMinimum = 0, maximum = (minimum ?? exclusiveMinimum) + 100 }) {
  const from = minimum ?? exclusiveMinimum;
  const value = from + Math.random() * (maximum - from);
  return type === 'integer' ? Math.ceil(value) : value;
}

function object({ properties = {}, required = [] }, depth) {
  const names = Object.keys(properties).filter((name) => required.includes(name) || chance(depth > 3 ? 0.1 : 0.4));
  const made = Object.fromEntries(names.map((name) => [name, fromSchema(properties[name], depth + 1)]));
  return chance(0.05) ? { ...made, [String(pick(ODD)).slice(0, 20)]: pick(ODD) } : made;
}

/** A value for one field of a class. @param rules What is asked of it. */
function fromRules(rules, description) {
  if (chance(ODD_SHARE)) return pick(ODD);
  const asked = (name) => rules.find((rule) => rule.name === name);
  const shape = asked('fits');
  if (shape) return fromSchema(shape.schema);
  if (asked('isUuid')) return randomUUID();
  if (asked('isIn')) {
    const one = pick(asked('isIn').args[0]);
    return asked('isArray') ? [one] : one;
  }
  if (asked('isBoolean')) return chance(0.5);
  if (asked('isArray')) return [pick(['abc', 'slow-crank', 1])];
  if (asked('isInt') || asked('isNumber') || asked('min') || asked('max'))
    return number({
      type: asked('isInt') ? 'integer' : 'number',
      minimum: asked('min')?.args[0],
      maximum: asked('max')?.args[0],
    });
  if (asked('nestedValidation')) return fromFields(pick(Object.values(description.bodies)), description);
  return pick(['abc', 'Ada', 'yard', '1234', 'longer than twelve', randomUUID()]);
}

/** A body of a class. @param fields Its fields, each with what is asked of it. */
export function fromFields(fields, description) {
  const names = Object.keys(fields).filter((name) =>
    chance(fields[name].some((rule) => rule.name === 'isOptional') ? 0.6 : 0.97),
  );
  return Object.fromEntries(names.map((name) => [name, fromRules(fields[name], description)]));
}

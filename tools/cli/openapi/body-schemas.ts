/** The schemas of what is sent: made from the classes of contracts, by which the server checks every body. */
import 'reflect-metadata';
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import type { SchemaObject } from 'openapi3-ts';
import type { Fitting } from '@tetrad/contracts';
import { OPERATIONS } from '@tetrad/contracts/operations';

export const REFERENCE = '#/components/schemas/';

/** Every class that a body or a query has, with those that stand inside of them. */
export function bodySchemas(): Readonly<Record<string, object>> {
  // naming the classes loads them, and with them what their decorators say
  const named = new Set(
    OPERATIONS.flatMap(({ body, query }) => [body, query]).filter((one) => typeof one === 'function'),
  );
  const all = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage as never,
    refPointerPrefix: REFERENCE,
    additionalConverters: {
      // only days are taken; a date or a time, as the package writes it, cannot be told apart
      isIso8601: () => ({ type: 'string', format: 'date' }),
      // a part of the open format, by its own shape
      customValidation: ({ context }) => {
        const fitting = (context as { readonly fitting?: Fitting } | undefined)?.fitting;
        return fitting ? (fitting.shape.schema as SchemaObject) : {};
      },
    },
  });
  const wanted: Record<string, object> = {};
  const take = (name: string): void => {
    const schema = all[name];
    if (!schema || wanted[name]) return;
    wanted[name] = schema;
    for (const [, inner] of JSON.stringify(schema).matchAll(/"#\/components\/schemas\/(\w+)"/g)) take(inner!);
  };
  for (const one of named) take(one.name);
  return wanted;
}

/**
 * What the server takes, as JSON on standard output: every route by method and path, and every body by the contracts' own
 * classes. The malformed requests are made from it, so that none that is added can be forgotten.
 */
import 'reflect-metadata';
import * as contracts from '@tetrad/contracts';
import { getMetadataStorage } from 'class-validator';
import type { Shape } from '@tetrad/core';
import express from 'express';
import pino from 'pino';
import { createApp } from '../../server/src/app';
import type { AppOptions } from '../../server/src/app';
import { OpenStreams } from '../../server/src/platform/live/open-streams';

interface Layer {
  readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> };
}
/** A router as it is inside, with those that were mounted on it. */
interface Mounting {
  readonly stack: readonly Layer[];
  mounted?: { readonly path: string; readonly router: Mounting }[];
}

const isRouter = (given: unknown): given is Mounting => typeof given === 'function' && 'stack' in given;

/** A router does not remember where others were mounted: noted as it is done. */
function noteMounts(): void {
  const { prototype } = express.Router as unknown as { prototype: { use: (...given: unknown[]) => unknown } };
  const { use } = prototype;
  prototype.use = function (this: Mounting, ...given: unknown[]) {
    const path = typeof given[0] === 'string' ? given[0] : '';
    for (const router of given.flat().filter(isRouter)) (this.mounted ??= []).push({ path, router });
    return use.apply(this, given);
  };
}

const routesOf = (router: Mounting, at = ''): readonly (readonly [string, string])[] => [
  ...router.stack.flatMap(({ route }) =>
    route ? Object.keys(route.methods).map((method) => [method.toUpperCase(), at + route.path] as const) : [],
  ),
  ...(router.mounted ?? []).flatMap(({ path, router: inner }) => routesOf(inner, at + path)),
];

/** Each field of a class with what is asked of it; a shape of the open format as its JSON Schema. */
function fieldsOf(body: new () => object) {
  const found = getMetadataStorage().getTargetValidationMetadatas(body, '', false, false);
  const fields: Record<string, { name: string; args: unknown; schema?: unknown }[]> = {};
  for (const { propertyName, name, type, constraints, context } of found) {
    const shape = (context as { fitting?: { shape: Shape<unknown> } } | undefined)?.fitting?.shape;
    (fields[propertyName] ??= []).push({
      name: name ?? type,
      args: constraints ?? [],
      ...(shape && { schema: shape.schema }),
    });
  }
  return fields;
}

noteMounts();
const app = createApp({
  pool: { counts: () => ({ all: 0, waiting: 0 }) },
  feed: { listen: () => () => undefined },
  streams: new OpenStreams(),
  fontsFolder: '',
  log: pino({ level: 'silent' }),
  sessionSecret: 'described, never served',
  requestsASecond: 1,
  clientFolder: null,
} as unknown as AppOptions);

const bodies = Object.entries(contracts).filter(
  (entry): entry is [string, new () => object] =>
    typeof entry[1] === 'function' &&
    getMetadataStorage().getTargetValidationMetadatas(entry[1], '', false, false).length > 0,
);
process.stdout.write(
  JSON.stringify({
    routes: routesOf(app.router as unknown as Mounting).filter(([, path]) => path.startsWith('/api')),
    bodies: Object.fromEntries(bodies.map(([name, body]) => [name, fieldsOf(body)])),
  }),
);

import { validate as isUuid } from 'uuid';
import type { Request } from 'express';
import { checkBody, jobId, shopId } from '@tetrad/contracts';
import type { JobId, ShopId } from '@tetrad/contracts';
import { Refusal, misfit, problem } from './problem';

/** What a body may be. */
export const JSON_TYPES = ['application/json', 'application/*+json'] as const;

/** The request's body as an instance of its class; refuses with every field that does not fit. */
export function bodyAs<T extends object>(type: new () => T, request: Request): T {
  // there is a body, and it is none that was read
  if (request.is([...JSON_TYPES]) === false)
    throw new Refusal(
      problem(
        415,
        'not-json',
        `The body is ${request.get('content-type') ?? 'of no type'}; allowed is ${JSON_TYPES[0]}.`,
      ),
    );
  const result = checkBody(type, request.body as unknown);
  if (!result.ok) throw misfit(result.errors);
  return result.body;
}

/** The request's query as an instance of its class; refused by field like a body. */
export function queryAs<T extends object>(type: new () => T, request: Request): T {
  const result = checkBody(type, { ...request.query });
  if (!result.ok) throw misfit(result.errors);
  return result.body;
}

/** A path parameter that is a UUID; another text names no record, and is refused by name. */
export function uuidParam(request: Request, name: string): string {
  const value = String(request.params[name]);
  if (!isUuid(value)) throw misfit([{ field: name, found: JSON.stringify(value), allowed: 'a UUID' }]);
  return value.toLowerCase();
}

/** A path parameter that is one of a list of names; refused with the list. */
export function nameParam<Name extends string>(request: Request, name: string, allowed: readonly Name[]): Name {
  const value = String(request.params[name]);
  const known = allowed.find((one) => one === value);
  if (known === undefined)
    throw misfit([{ field: name, found: JSON.stringify(value), allowed: `one of ${allowed.join(', ')}` }]);
  return known;
}

/** The shop an address names; the router before has refused one that is not there. */
export const shopParam = (request: Request): ShopId =>
  shopId(String((request.params as Record<string, unknown>)['shop']));

/** The job an address names. */
export const jobParam = (request: Request): JobId => jobId(uuidParam(request, 'job'));

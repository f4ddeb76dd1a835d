/** The OpenAPI 3.1 document of the HTTP interface: made from contracts, never written by hand. */
import { readFileSync } from 'node:fs';
import { PERMISSIONS } from '@tetrad/contracts';
import type { OperationAnswer, Operation } from '@tetrad/contracts/operations';
import { OPERATIONS, OPERATION_GROUPS, isOpenToKeys, pathOf } from '@tetrad/contracts/operations';
import {
  INSTRUMENT_KINDS,
  caseParts,
  caseShape,
  criteriaShape,
  findingsShape,
  judgementSchema,
  practiceResultShape,
  readingShape,
  uncertaintyShape,
} from '@tetrad/core';
import { captureSchema } from '@tetrad/core/capture';
import { answerSchemas } from './answer-schemas';
import type { FormatSchemas } from './answer-schemas';
import { REFERENCE, bodySchemas } from './body-schemas';

type Json = Readonly<Record<string, unknown>>;

/** Of the product, which is written from its own folder. */
const { version: PRODUCT_VERSION } = JSON.parse(readFileSync('package.json', 'utf8')) as { readonly version: string };

const FORMATS: FormatSchemas = {
  Case: caseShape.schema as Json,
  System: caseParts.system.schema as Json,
  Observation: caseParts.observation.schema as Json,
  Reading: readingShape.schema as Json,
  Judgement: judgementSchema as Json,
  Capture: captureSchema as Json,
  CriteriaDocument: criteriaShape.schema as Json,
  // as a job has it, without the name of the format
  CriteriaSet: { ...(criteriaShape.schema as Json), required: ['id', 'version', 'name', 'limits', 'costs'] },
  CheckFindings: findingsShape.schema as Json,
  Uncertainty: uncertaintyShape.schema as Json,
  InstrumentKind: { enum: INSTRUMENT_KINDS },
  // beside it stands its id, when it is told
  PracticeResult: { ...(practiceResultShape.schema as Json), additionalProperties: true },
};

const BYTES: Json = { 'application/octet-stream': { schema: { type: 'string', format: 'binary' } } };
const json = (schema: Json): Json => ({ 'application/json': { schema } });
const reference = (name: string): Json => ({ $ref: REFERENCE + name });

/** The name of a type's schema; parts of a format keep their prefix. */
const answerRef = (name: string): Json => reference(name in FORMATS ? `format.${name}` : name);

function answerOf(answer: OperationAnswer): Json {
  if ('media' in answer) return { description: 'A file, or a stream.', content: { [answer.media]: {} } };
  if (!('type' in answer)) return { description: 'Done.' };
  const { type, isList, isPaged } = answer;
  const schema = isList ? { type: 'array', items: answerRef(type) } : answerRef(type);
  const link = { Link: { description: 'The next page (RFC 8288), where there is one.', schema: { type: 'string' } } };
  return { description: isPaged ? 'A page.' : 'As asked.', ...(isPaged && { headers: link }), content: json(schema) };
}

/** What may be refused, by status. */
const REFUSALS: Readonly<Record<number, string>> = {
  400: 'The body is no JSON, or is packed wrongly.',
  401: 'Nobody is signed in, or what was given to sign in with does not fit.',
  403: 'Not for this session, role or key.',
  404: 'What the address names is not there for who asks.',
  409: 'Changed, closed or taken meanwhile.',
  413: 'The body is too large.',
  415: 'The body is of another type.',
  422: 'A field, a parameter or the query does not fit; it is named.',
  429: 'Asked too often; Retry-After tells when to ask again.',
};
const problemResponse = (description: string): Json => ({
  description,
  content: { 'application/problem+json': { schema: reference('Problem') } },
});
/** Every refusal is a problem (RFC 9457) that names the field, what was found and what is allowed. */
const RESPONSES: Readonly<Record<string, Json>> = {
  ...Object.fromEntries(
    Object.entries(REFUSALS).map(([status, description]) => [`Problem${status}`, problemResponse(description)]),
  ),
  Problem: problemResponse('Any other problem.'),
};
const response = (status: string): Json => ({
  $ref: `#/components/responses/Problem${status === 'default' ? '' : status}`,
});

/** What the session, the address, the body and the query of an operation may come to. */
function problemsOf({ method, path, by, body, query, permission, ofOthers }: Operation): Json {
  const isOfShop = !path.startsWith('/api/');
  const hasBody = body !== undefined;
  const mayBe: Readonly<Record<number, boolean>> = {
    400: hasBody,
    401: !by.includes('nobody') || hasBody,
    403: isOfShop || !by.includes('key') || permission !== undefined || ofOthers !== undefined,
    404: isOfShop,
    409: method !== 'GET',
    413: hasBody,
    415: hasBody,
    422: hasBody || query !== undefined || path.includes('{'),
    429: true,
  };
  const statuses = Object.keys(REFUSALS).filter((status) => mayBe[Number(status)]);
  return Object.fromEntries([...statuses, 'default'].map((status) => [status, response(status)]));
}

function parametersOf(operation: Operation, bodies: Readonly<Record<string, Json>>): readonly Json[] {
  const path = pathOf(operation);
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));
  const query = operation.query && (bodies[operation.query.name] as { properties?: Record<string, Json> } | undefined);
  const inQuery = Object.entries(query?.properties ?? {}).map(([name, schema]) => ({ name, in: 'query', schema }));
  const key = {
    name: 'Idempotency-Key',
    in: 'header',
    schema: { type: 'string' },
    description: 'The sender’s own id of this write: a repeat is stored once.',
  };
  return [...inPath, ...inQuery, ...(operation.method === 'GET' ? [] : [key])];
}

function operationOf(operation: Operation, tag: string, bodies: Readonly<Record<string, Json>>): Json {
  const { summary, body, answer, permission } = operation;
  const who = permission && `For ${PERMISSIONS[permission].roles.join(', ')}.`;
  const content =
    typeof body === 'string' ? (body === 'Bytes' ? BYTES : json(answerRef(body))) : body && json(reference(body.name));
  return {
    tags: [tag],
    summary,
    ...(who && { description: who }),
    security: isOpenToKeys(operation) ? [{ session: [] }, { key: [] }] : [{ session: [] }],
    parameters: parametersOf(operation, bodies),
    ...(content && { requestBody: { required: true, content } }),
    responses: { [answer.status]: answerOf(answer), ...problemsOf(operation) },
  };
}

/** The document as its file holds it. */
export const openApiText = (): string => `${JSON.stringify(openApiDocument(), null, 1)}\n`;

/** The schemas that the paths refer to, and those that these refer to. */
function usedOf(schemas: Readonly<Record<string, Json>>, paths: unknown): Readonly<Record<string, Json>> {
  const used: Record<string, Json> = {};
  const take = (text: string): void => {
    for (const [, name] of text.matchAll(/"#\/components\/schemas\/([\w.-]+)"/g)) {
      const schema = schemas[name!];
      if (!schema || used[name!]) continue;
      used[name!] = schema;
      take(JSON.stringify(schema));
    }
  };
  take(JSON.stringify(paths));
  return Object.fromEntries(Object.entries(schemas).filter(([name]) => name in used));
}

function openApiDocument(): Json {
  const bodies = bodySchemas() as Readonly<Record<string, Json>>;
  const names = new Set(OPERATIONS.flatMap(({ answer }) => ('type' in answer ? [answer.type] : [])));
  const wanted = [...names].filter((name) => !(name in FORMATS));
  const answers = answerSchemas([...wanted, 'Problem'], FORMATS);
  const own = Object.fromEntries(Object.entries(FORMATS).map(([name, schema]) => [`format.${name}`, schema]));
  const paths: Record<string, Record<string, Json>> = {};
  for (const { name, operations } of OPERATION_GROUPS)
    for (const [id, operation] of Object.entries(operations))
      (paths[pathOf(operation)] ??= {})[operation.method.toLowerCase()] = {
        operationId: id,
        ...operationOf(operation, name, bodies),
      };
  return {
    openapi: '3.1.0',
    info: {
      title: 'Tetrad',
      version: PRODUCT_VERSION,
      description:
        'Battery, starter and alternator: jobs, their evidence and what the judge says of it. Times are ISO 8601 in UTC; quantities are plain SI.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    // wherever the workshop's server stands: addresses are below its own
    servers: [{ url: '/', description: 'The server that this document comes from.' }],
    tags: OPERATION_GROUPS.map(({ name, about }) => ({ name, description: about })),
    paths,
    components: {
      schemas: usedOf({ ...own, ...answers, ...bodies }, { paths, RESPONSES }),
      responses: RESPONSES,
      securitySchemes: {
        key: { type: 'http', scheme: 'bearer', description: 'A key that an administrator made: `tetrad.SHOP.TOKEN`.' },
        session: { type: 'apiKey', in: 'cookie', name: 'tetrad.session', description: 'Somebody who is signed in.' },
      },
    },
  };
}

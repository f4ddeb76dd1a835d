/** The document of the open interface tells the truth, and real answers are as it says. */
import { randomUUID } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { BALANCED } from '@tetrad/core';
import { OPERATIONS, pathOf } from '@tetrad/contracts/operations';
import { jobBody, readingBody, startApplication } from './application';
import type { Answer, Application } from './application';
import { operationAsked } from './operation-asked';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

const shop = '/api/shops/one';
const document = JSON.parse(readFileSync('docs/openapi.json', 'utf8')) as {
  readonly paths: Readonly<Record<string, Readonly<Record<string, { readonly operationId: string }>>>>;
  readonly components: { readonly schemas: Readonly<Record<string, object>> };
};

describe('the document', () => {
  interface Layer {
    readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> };
    readonly handle: { readonly stack?: readonly Layer[] };
  }
  const routesOf = (stack: readonly Layer[]): [string, string][] =>
    stack.flatMap(({ route, handle }) =>
      route
        ? Object.keys(route.methods).map((method): [string, string] => [method.toUpperCase(), route.path])
        : routesOf(handle.stack ?? []),
    );
  /** Metrics are for the server's own watch; single sign-on is a way of the browser, not of programs. */
  const NOT_TOLD = /^GET (\/metrics|\/|\/callback|\/\{\*splat\})$/;

  it('has every route of the server, and no other', () => {
    const { stack } = app.express.router as unknown as { stack: readonly Layer[] };
    const routes = routesOf(stack).map(([method, path]) => `${method} ${path}`);
    const tails = routes.map((route) => {
      const [method = '', path = ''] = route.split(' ');
      return new RegExp(
        `^${method} .*${path === '/' ? '' : path.replaceAll('.', '\\.').replace(/:\w+/g, '\\{\\w+\\}')}$`,
      );
    });
    const told = OPERATIONS.map((operation) => `${operation.method} ${pathOf(operation)}`);
    expect(told.filter((one) => !tails.some((tail) => tail.test(one)))).toEqual([]);
    expect(routes.filter((route, at) => !NOT_TOLD.test(route) && !told.some((one) => tails[at]!.test(one)))).toEqual(
      [],
    );
    expect(told.length).toBeGreaterThan(70);
  });

  it('names its server, what each group is about, and a problem of every operation; no schema stands there unused', () => {
    const whole = JSON.parse(readFileSync('docs/openapi.json', 'utf8')) as {
      readonly servers: readonly object[];
      readonly tags: readonly { readonly description?: string }[];
      readonly paths: Readonly<Record<string, Readonly<Record<string, { readonly responses: object }>>>>;
      readonly components: { readonly schemas: Readonly<Record<string, object>> };
    };
    expect(whole.servers).toHaveLength(1);
    for (const { description } of whole.tags) expect(description).toMatch(/\w.*\.$/);
    for (const operations of Object.values(whole.paths))
      for (const { responses } of Object.values(operations))
        expect(Object.keys(responses).filter((status) => /^4\d\d$/.test(status))).toContain('429');
    const text = JSON.stringify(whole);
    const unused = Object.keys(whole.components.schemas).filter(
      (name) => !text.includes(`"#/components/schemas/${name}"`),
    );
    expect(unused).toEqual([]);
  });

  it('is valid OpenAPI 3.1', () => {
    const code = `const { Validator } = await import('@seriousme/openapi-schema-validator');
      const validator = new Validator();
      const { valid, errors } = await validator.validate('docs/openapi.json');
      console.log(JSON.stringify({ valid, errors, version: validator.version }));`;
    const told = execFileSync(process.execPath, ['--input-type=module', '--eval', code], { encoding: 'utf8' });
    expect(JSON.parse(told)).toEqual({ valid: true, version: '3.1' });
  });
});

const ajv = addFormats(new Ajv({ strict: false, allErrors: true }));
ajv.addSchema({ $id: 'openapi', components: document.components });

/** What is answered, held against what the document says of it. */
function misfits(operation: ReturnType<typeof operationAsked>, { status, body }: Answer): unknown {
  const { answer } = operation;
  if (!('type' in answer)) return null;
  const named = answer.type in document.components.schemas ? answer.type : `format.${answer.type}`;
  const item = { $ref: `openapi#/components/schemas/${named}` };
  const validate = ajv.compile(answer.isList ? { type: 'array', items: item } : item);
  return validate(body) ? null : { id: operation.id, status, errors: validate.errors?.slice(0, 3) };
}
it('real answers are as the document says', async () => {
  const job = jobBody();
  const at = `${shop}/jobs/${job.id}`;
  const vehicle = `${shop}/vehicles/${job.vehicle.id}`;
  const [plan, instrument, timer, capture, key, webhook] = Array.from({ length: 6 }, () => randomUUID());
  const reading = readingBody('cranking-voltage', 9.1, { conditions: { method: 'watched', seconds: 5 } });
  const checked = randomUUID();
  const steps: [string, string, object?][] = [
    ['POST', `${shop}/jobs`, job],
    ['POST', `${at}/readings`, readingBody('resting-voltage', 12.66, { conditions: { surfaceChargeRemoved: true } })],
    ['POST', `${at}/readings`, reading],
    ['POST', `${at}/readings/${reading.reading.id}/void`, { reason: 'slip' }],
    ['POST', `${at}/observations`, { id: randomUUID(), observation: { about: 'belt', finding: 'good' } }],
    ['POST', `${at}/timers`, { id: timer, kind: 'cool-down' }],
    ['PATCH', at, { version: 1, assignee: 'Ada' }],
    ['GET', at],
    ['GET', `${shop}/jobs`],
    ['GET', `${at}/judgements`],
    ['GET', `${at}/judgements/1`],
    ['GET', `${at}/case`],
    ['POST', `${at}/pairings`, {}],
    ['POST', `${at}/captures`, { id: capture, name: 'start.csv', bytes: 10 }],
    ['GET', `${at}/captures`],
    ['GET', `${at}/captures-alike`],
    ['PUT', `${shop}/instruments/${instrument}`, { name: 'Meter', kind: 'meter', uncertainty: { V: 0.02 } }],
    ['POST', `${shop}/instruments/${instrument}/checks`, { id: randomUUID(), findings: { 'meter-leads': 'steady' } }],
    ['GET', `${shop}/instruments`],
    ['PATCH', vehicle, { group: 'North' }],
    ['GET', vehicle],
    ['GET', `${shop}/vehicles?find=van`],
    ['GET', `${vehicle}/visits`],
    ['GET', `${vehicle}/history`],
    ['PUT', `${shop}/rounds/${plan}`, { group: 'North', everyDays: 30 }],
    [
      'POST',
      `${shop}/jobs/${checked}/round-check`,
      {
        vehicle: { id: job.vehicle.id, name: 'Van' },
        system: job.system,
        readings: [readingBody('resting-voltage', 12.6).reading],
        observations: [],
      },
    ],
    ['GET', `${shop}/rounds`],
    ['GET', `${shop}/rounds/${plan}/vehicles`],
    ['GET', `${shop}/rounds/${plan}/sheet`],
    [
      'POST',
      `${shop}/vehicle-imports`,
      { id: randomUUID(), rows: [{ name: 'New van', plate: 'N-1' }], isApplied: false },
    ],
    [
      'POST',
      `${at}/sign-offs`,
      { id: randomUUID(), action: 'none-found', reason: 'tried', conclusion: 'as it is', partsFitted: [] },
    ],
    ['GET', `${shop}/settings`],
    ['GET', `${shop}/people`],
    ['POST', `${shop}/people`, { id: randomUUID(), name: 'New', role: 'technician' }],
    ['GET', `${shop}/acts`],
    ['GET', `${shop}/backups`],
    ['GET', `${shop}/practice/results`],
    ['GET', `${shop}/practice/class`],
    ['POST', `${shop}/api-keys`, { id: key, name: 'Desk', role: 'lead', days: 3 }],
    ['GET', `${shop}/api-keys`],
    ['PUT', `${shop}/webhooks/${webhook}`, { url: 'https://example.invalid/told', events: ['round.due'] }],
    ['GET', `${shop}/webhooks`],
    ['POST', `${shop}/webhooks/${webhook}/test`, {}],
    ['GET', `${shop}/webhooks/${webhook}/deliveries`],
    ['DELETE', `${shop}/webhooks/${webhook}`],
    ['GET', `${shop}/criteria`],
    ['POST', `${shop}/criteria/check`, { document: { format: 'tetrad-criteria/1', ...BALANCED } }],
    ['GET', `${vehicle}/kind`],
    ['GET', `${vehicle}/captures`],
    ['GET', '/api/session'],
    ['GET', '/api/health'],
    ['GET', '/api/clock'],
  ];
  const wrong: unknown[] = [];
  for (const [method, path, body] of steps) {
    const answer = await app.ask(method, path, body, app.cookieFor(shop));
    expect([method, path, answer.status < 300 ? 'done' : answer.body]).toEqual([method, path, 'done']);
    const misfit = misfits(operationAsked(method, path.split('?', 1)[0]!), answer);
    if (misfit) wrong.push(misfit);
  }
  expect(wrong).toEqual([]);
  const refused = await app.ask('POST', `${shop}/jobs`, {});
  const problem = ajv.compile({ $ref: 'openapi#/components/schemas/Problem' });
  expect([refused.status, problem(refused.body)]).toEqual([422, true]);
});

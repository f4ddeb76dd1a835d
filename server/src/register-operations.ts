/** Registers the routes of the interface: method, path, who may ask, body and query as the table of operations tells them. */
import { Router } from 'express';
import type { RequestHandler } from 'express';
import { ANYBODY, SERVER_OPERATIONS, SHOP_OPERATIONS, operationOf } from '@tetrad/contracts/operations';
import type { Operation, OperationId, ServerOperationId, ShopOperationId } from '@tetrad/contracts/operations';
import { permitted } from './people/who';
import { bodyAs, queryAs } from './platform/http/body';
import type { Handler, Handlers } from './platform/http/handlers';
import { readBody } from './platform/http/read-body';

/** Operations of one shop; mounted below its address. */
export const shopRouter = (handlers: Handlers<ShopOperationId>): Router =>
  registered(Object.keys(SHOP_OPERATIONS) as ShopOperationId[], handlers);

/** Operations of no shop, which stand at whole addresses: those that anybody may ask, or those that look for a session first. */
export const serverRouter = (which: 'open' | 'session', handlers: Handlers<ServerOperationId>): Router =>
  registered(
    (Object.keys(SERVER_OPERATIONS) as ServerOperationId[]).filter(
      (id) => (operationOf(id).by.length === ANYBODY.length) === (which === 'open'),
    ),
    handlers,
  );

function registered<Ids extends OperationId>(ids: readonly Ids[], handlers: Handlers<Ids>): Router {
  const router = Router({ mergeParams: true });
  for (const id of ids) {
    const operation = operationOf(id);
    const route = router.route(operation.path.replace(/\{(\w+)\}/g, ':$1'));
    const method = operation.method.toLowerCase() as Lowercase<Operation['method']>;
    route[method](permitted(operation), readBody(operation.bodyKind ?? 'usual'), answering(operation, handlers[id]));
  }
  return router;
}

const answering =
  <Id extends OperationId>({ body, query, answer }: Operation, handler: Handler<Id>): RequestHandler =>
  async (request, response) => {
    const asked = {
      body: typeof body === 'function' ? bodyAs(body, request) : undefined,
      query: query && queryAs(query, request),
    };
    response.status(answer.status);
    await (handler as unknown as Handler<OperationId>)(request as never, response, asked as never);
  };

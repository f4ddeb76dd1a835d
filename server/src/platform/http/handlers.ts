/** What answers the operations of the interface: bound to them by name, and typed by what the table says of them. */
import type { Request, Response } from 'express';
import type { AnswerOf, BodyOf, OperationId, ParamsOf, QueryOf } from '@tetrad/contracts/operations';

/** What was asked, checked before the handler is called. */
export interface Asked<Id extends OperationId> {
  readonly body: BodyOf<Id>;
  readonly query: QueryOf<Id>;
}

/**
 * Answers one operation. Who may ask has been looked at, and the status that the table tells is set already: a handler
 * sets another only where it answers otherwise.
 */
export type Handler<Id extends OperationId> = (
  request: Request<ParamsOf<Id>, AnswerOf<Id>>,
  response: Response<AnswerOf<Id>>,
  asked: Asked<Id>,
) => Promise<void> | void;

export type Handlers<Ids extends OperationId> = { readonly [Id in Ids]: Handler<Id> };

/** The HTTP interface as data, and the types that follow from it: of parameters, bodies, queries and answers. */
import type { AnswerTypes } from './answer-types';
import { CRITERIA } from './criteria';
import { INSTRUMENTS } from './instruments';
import { JOBS } from './jobs';
import { SHOP_PATH } from './operation';
import type { Operation, OperationGroup } from './operation';
import { SESSION } from './session';
import { SHOP } from './shop';
import { ROUNDS, VEHICLES } from './vehicles';

export { ANYBODY } from './operation';
export type { Asker, BodyKind, Operation, OperationAnswer, OperationGroup } from './operation';

/** As the document shows them. */
export const OPERATION_GROUPS: readonly OperationGroup[] = [
  JOBS,
  VEHICLES,
  ROUNDS,
  CRITERIA,
  INSTRUMENTS,
  SHOP,
  SESSION,
];

/** Operations of one shop. */
export const SHOP_OPERATIONS = {
  ...JOBS.operations,
  ...VEHICLES.operations,
  ...ROUNDS.operations,
  ...CRITERIA.operations,
  ...INSTRUMENTS.operations,
  ...SHOP.operations,
};
/** Operations of no shop. */
export const SERVER_OPERATIONS = SESSION.operations;

const ALL = { ...SHOP_OPERATIONS, ...SERVER_OPERATIONS };
type All = typeof ALL;

export type ShopOperationId = keyof typeof SHOP_OPERATIONS;
export type ServerOperationId = keyof typeof SERVER_OPERATIONS;
export type OperationId = keyof All;

/** Every operation with its name. */
export const OPERATIONS: readonly (Operation & { readonly id: OperationId })[] = Object.entries<Operation>(ALL).map(
  ([id, operation]) => ({ ...operation, id: id as OperationId }),
);

export const operationOf = (id: OperationId): Operation => ALL[id];

/** The whole path of an operation, its parameters in braces. */
export const pathOf = ({ path }: Pick<Operation, 'path'>): string =>
  path.startsWith('/api/') ? path : SHOP_PATH + path;

/** Whether a key may ask it. */
export const isOpenToKeys = ({ by }: Pick<Operation, 'by'>): boolean => by.includes('key');

type Named<Path extends string> = Path extends `${string}{${infer Name}}${infer Rest}` ? Name | Named<Rest> : never;

/** The parameters of an operation's path. */
export type ParamsOf<Id extends OperationId> = Readonly<
  Record<Named<All[Id]['path']> | (Id extends ShopOperationId ? 'shop' : never), string>
>;

type Made<Class> = Class extends new () => infer Body ? Body : unknown;

/** The body that an operation takes; `unknown` where a schema of the open format tells it, undefined where it takes none. */
export type BodyOf<Id extends OperationId> = All[Id] extends { readonly body: infer Body } ? Made<Body> : undefined;

export type QueryOf<Id extends OperationId> = All[Id] extends { readonly query: infer Query } ? Made<Query> : undefined;

type Listed<Answer, Type> = Answer extends { readonly isList: true } ? readonly Type[] : Type;

/** What an operation answers as JSON; `unknown` for a file or a stream, undefined for nothing. */
export type AnswerOf<Id extends OperationId> = All[Id]['answer'] extends infer Answer
  ? Answer extends { readonly type: infer Name extends keyof AnswerTypes }
    ? Listed<Answer, AnswerTypes[Name]>
    : Answer extends { readonly media: string }
      ? unknown
      : undefined
  : never;

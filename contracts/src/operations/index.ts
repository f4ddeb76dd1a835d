/** The HTTP interface as data: its document is made of it, and keys reach what it says they may. */
import { CRITERIA } from './criteria';
import { INSTRUMENTS } from './instruments';
import { JOBS } from './jobs';
import { pathOf } from './operation';
import type { Operation, OperationGroup } from './operation';
import { SESSION } from './session';
import { SHOP } from './shop';
import { ROUNDS, VEHICLES } from './vehicles';

export { pathOf };
export type { Operation, OperationAnswer, OperationGroup } from './operation';

export const OPERATION_GROUPS: readonly OperationGroup[] = [
  JOBS,
  VEHICLES,
  ROUNDS,
  CRITERIA,
  INSTRUMENTS,
  SHOP,
  SESSION,
];
export const OPERATIONS: readonly Operation[] = OPERATION_GROUPS.flatMap(({ operations }) => operations);

/** The address of an operation as a pattern, whatever its ids are. */
export const patternOf = (operation: Operation): RegExp =>
  new RegExp(
    `^${pathOf(operation)
      .replaceAll('.', '\\.')
      .replace(/\{\w+\}/g, '[^/]+')}/?$`,
  );

const BY_METHOD = new Map<string, readonly (readonly [RegExp, Operation])[]>();
for (const operation of OPERATIONS)
  BY_METHOD.set(operation.method, [
    ...(BY_METHOD.get(operation.method) ?? []),
    [patternOf(operation), operation] as const,
  ]);

/** The operation that a request asks for; undefined where there is none. @param path As it was asked, without its query. */
export const operationAt = (method: string, path: string): Operation | undefined =>
  BY_METHOD.get(method === 'HEAD' ? 'GET' : method)?.find(([pattern]) => pattern.test(path))?.[1];

/** Whether a key may ask this. @param path As it was asked, without its query. */
export const openTo = (method: string, path: string): boolean => operationAt(method, path)?.isOpenToKeys === true;

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

const OPEN = OPERATIONS.filter(({ isOpenToKeys }) => isOpenToKeys).map((operation) => ({
  method: operation.method,
  pattern: patternOf(operation),
}));

/** Whether a key may ask this. @param path As it was asked, without its query. */
export const openTo = (method: string, path: string): boolean =>
  OPEN.some((one) => (one.method === method || (method === 'HEAD' && one.method === 'GET')) && one.pattern.test(path));

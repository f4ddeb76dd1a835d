import { OPERATIONS, pathOf } from '@tetrad/contracts/operations';

type Named = (typeof OPERATIONS)[number];

/** The operation that a request asks for. @param path Without its query. @throws Error where there is none. */
export function operationAsked(method: string, path: string): Named {
  const found = OPERATIONS.find(
    (one) =>
      one.method === method &&
      new RegExp(
        `^${pathOf(one)
          .replaceAll('.', '\\.')
          .replace(/\{\w+\}/g, '[^/]+')}$`,
      ).test(path),
  );
  if (!found) throw new Error(`${method} ${path} is no operation`);
  return found;
}

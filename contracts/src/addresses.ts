/** Where the operations of the interface are asked: enough for a page, without the classes that check what is sent. */
import { ADDRESSES } from './operations/addresses';

export { ADDRESSES };

/** Where an operation is asked, and what it takes there. */
export interface Address {
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** Whole, with its parameters in braces. */
  readonly path: string;
  readonly takes?: 'body' | 'query';
  readonly isPaged?: true;
}

export type AddressId = keyof typeof ADDRESSES;

/** The parameters of a path, in their order. */
type Parameters<Path extends string> = Path extends `${string}{${string}}${infer Rest}`
  ? [parameter: string | number, ...Parameters<Rest>]
  : [];

/** What is named in the path of an operation: the shop first, where it is one of a shop. */
export type PathArguments<Id extends AddressId> = Parameters<(typeof ADDRESSES)[Id]['path']>;

/** How many parameters an operation's path has. */
export const parameterCount = ({ path }: Pick<Address, 'path'>): number => path.split('{').length - 1;

const filled = (path: string, named: readonly (string | number)[]): string => {
  const left = [...named];
  return path.replace(/\{\w+\}/g, () => encodeURIComponent(left.shift() ?? ''));
};

/** The address of an operation. @param named Its parameters, in their order. */
export const addressOf = <Id extends AddressId>(id: Id, ...named: PathArguments<Id>): string =>
  filled(ADDRESSES[id].path, named as readonly (string | number)[]);

import type { PermissionName } from '../roles';

/** What a route answers: an object of contracts by the name of its type, a list of them, a file, or nothing. */
export type OperationAnswer =
  | { readonly status: number; readonly type: string; readonly isList?: boolean; readonly isPaged?: boolean }
  | { readonly status: number; readonly media: string }
  | { readonly status: number };

/** One route of the HTTP interface. The document of it is made from these, and a test holds them against the routes. */
export interface Operation {
  /** Its name in the document. */
  readonly id: string;
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** Below `/api/shops/{shop}`, or whole where it begins with `/api/`. */
  readonly path: string;
  readonly summary: string;
  /** Class of the body, or the name of a schema of the open format. */
  readonly body?: (new () => object) | string;
  readonly query?: new () => object;
  readonly answer: OperationAnswer;
  /** Who may ask it; absent: everybody of the shop. The server lets nobody else through. */
  readonly permission?: PermissionName;
  /** Who may ask it about another person than oneself. */
  readonly ofOthers?: PermissionName;
  /** False for what people do in the application alone. */
  readonly isOpenToKeys: boolean;
}

/** A group of routes, as the document shows them. */
export interface OperationGroup {
  readonly name: string;
  /** What it is about, in a sentence. */
  readonly about: string;
  readonly operations: readonly Operation[];
}

const SHOP = '/api/shops/{shop}';
export const pathOf = ({ path }: Operation): string => (path.startsWith('/api/') ? path : SHOP + path);

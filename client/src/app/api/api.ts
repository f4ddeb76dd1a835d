/**
 * The server's interface: one method for each operation of the table that client and server share. It takes the parameters of
 * the path in their order (the shop first), then the body or the query.
 */
import { HttpClient } from '@angular/common/http';
import { InjectionToken, inject } from '@angular/core';
import { ADDRESSES, addressOf, parameterCount } from '@tetrad/contracts/addresses';
import type { Address, AddressId, PathArguments } from '@tetrad/contracts/addresses';
import type { AnswerOf, BodyOf, QueryOf } from '@tetrad/contracts/operations';
import { map } from 'rxjs';
import type { Observable } from 'rxjs';
import { idempotencyHeader } from './idempotent-writes';
import { nextPage } from './next-page';

/** A page of a list. */
export interface Page<Row> {
  readonly rows: readonly Row[];
  /** Address of the next page; null where this was the last. */
  readonly next: string | null;
}

interface AskOptions {
  /** The same for a repeat of the same write. */
  readonly writeId?: string;
}

interface Paged {
  readonly isPaged: true;
}
type Taken<Id extends AddressId> = (typeof ADDRESSES)[Id] extends { readonly takes: 'body' }
  ? [body: BodyOf<Id>]
  : (typeof ADDRESSES)[Id] extends { readonly takes: 'query' }
    ? [query?: Partial<QueryOf<Id>>]
    : [];
type Answered<Id extends AddressId> = (typeof ADDRESSES)[Id] extends Paged
  ? AnswerOf<Id> extends readonly (infer Row)[]
    ? Page<Row>
    : never
  : AnswerOf<Id> extends undefined
    ? void
    : AnswerOf<Id>;

export type Api = {
  readonly [Id in AddressId]: (
    ...asked: [...PathArguments<Id>, ...Taken<Id>, options?: AskOptions]
  ) => Observable<Answered<Id>>;
} & {
  /** The page at an address that the one before told. */
  readonly nextPage: <Row>(address: string) => Observable<Page<Row>>;
};

export const Api = new InjectionToken<Api>('The server’s interface', {
  providedIn: 'root',
  factory: () => apiOf(inject(HttpClient)),
});

/** Rows of a first page, which is to be there at once, and of the pages after it. */
export const FIRST_PAGE = 30;
export const NEXT_PAGES = 300;

function apiOf(http: HttpClient): Api {
  const page = (url: string, params: Record<string, string> = {}): Observable<Page<unknown>> =>
    http
      .get<readonly unknown[]>(url, { params, observe: 'response' })
      .pipe(map(({ body, headers }) => ({ rows: body ?? [], next: nextPage(headers.get('Link'), NEXT_PAGES) })));
  const operation =
    (id: AddressId) =>
    (...asked: readonly unknown[]): Observable<unknown> => {
      const { method, path, takes, isPaged }: Address = ADDRESSES[id];
      const count = parameterCount({ path });
      const url = addressOf(id, ...(asked.slice(0, count) as PathArguments<typeof id>));
      const [taken, options] = takes ? [asked[count], asked[count + 1]] : [undefined, asked[count]];
      const params = takes === 'query' ? paramsOf(taken ?? {}) : {};
      if (isPaged) return page(url, params);
      const { writeId } = (options ?? {}) as AskOptions;
      return http.request(method, url, {
        body: takes === 'body' ? taken : method === 'POST' ? {} : undefined,
        params,
        ...(writeId !== undefined && { headers: idempotencyHeader(writeId) }),
      });
    };
  const operations = (Object.keys(ADDRESSES) as AddressId[]).map((id) => [id, operation(id)] as const);
  return { ...Object.fromEntries(operations), nextPage: page } as unknown as Api;
}

const paramsOf = (query: object): Record<string, string> =>
  Object.fromEntries(
    Object.entries(query).flatMap(([name, value]) => (value === undefined ? [] : [[name, String(value)]])),
  );

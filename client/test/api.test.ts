/** What is asked of the server: the floor page by page, however long it is. */
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { PAGE_MOST } from '@tetrad/contracts';
import type { FloorRow } from '@tetrad/contracts';
import { Api, FIRST_PAGE } from '../src/app/api/api';
import type { Page } from '../src/app/api/api';
import { nextPage } from '../src/app/api/next-page';

const row = (n: number) => ({ id: `job-${n}` }) as unknown as FloorRow;
let api: Api;
let server: HttpTestingController;

beforeEach(() => {
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  api = TestBed.inject(Api);
  server = TestBed.inject(HttpTestingController);
});
afterEach(() => server.verify());

/** Asks for a page, answered as the server would for a floor of so many jobs: a limit that is too large is refused. */
function page(address: string | null, jobs: number): Page<FloorRow> & { readonly limit: number } {
  let got: Page<FloorRow> | undefined;
  const found =
    address === null ? api.listJobs('one', { status: 'open', limit: FIRST_PAGE }) : api.nextPage<FloorRow>(address);
  found.subscribe((one) => (got = one));
  const asked = server.expectOne(({ method }) => method === 'GET');
  const { pathname, searchParams } = new URL(asked.request.urlWithParams, 'http://here');
  expect([pathname, searchParams.get('status')]).toEqual(['/api/shops/one/jobs', 'open']);
  const limit = Number(searchParams.get('limit'));
  expect(limit).toBeLessThanOrEqual(PAGE_MOST);
  const begin = Number(searchParams.get('after') ?? 0);
  const rows = Array.from({ length: Math.max(0, Math.min(limit, jobs - begin)) }, (_, i) => row(begin + i));
  const end = begin + rows.length;
  const query = new URLSearchParams({ status: 'open', limit: String(limit), after: String(end) });
  asked.flush(rows, { headers: end < jobs ? { Link: `</api/shops/one/jobs?${query.toString()}>; rel="next"` } : {} });
  return { ...got!, limit };
}

it.each([0, 1, 29, 30, 31, 330, 331, 2000])(
  'a floor of %d jobs is had whole, page after page, each job once',
  (jobs) => {
    const ids: string[] = [];
    const limits: number[] = [];
    let address: string | null = null;
    do {
      const found = page(address, jobs);
      ids.push(...found.rows.map(({ id }) => id));
      limits.push(found.limit);
      address = found.next;
    } while (address !== null);
    expect(ids).toEqual(Array.from({ length: jobs }, (_, i) => `job-${i}`));
    // the first is short, so that it is there at once; the others are long
    expect(limits[0]).toBeLessThan(100);
    for (const limit of limits.slice(1)) expect(limit).toBeGreaterThan(100);
  },
);

describe('the address of the next page', () => {
  it('keeps what was asked for, save for how many rows it may have', () => {
    const link = '</api/shops/one/jobs?status=closed&find=quay%20van&limit=30&after=17.abc>; rel="next"';
    const [path, query] = nextPage(link, 300)!.split('?');
    expect(path).toBe('/api/shops/one/jobs');
    expect(Object.fromEntries(new URLSearchParams(query))).toEqual({
      status: 'closed',
      find: 'quay van',
      limit: '300',
      after: '17.abc',
    });
  });

  it('is the same however often it is read: a long page is followed by one as long', () => {
    const link = '</jobs?limit=300&after=1.a>; rel="next"';
    expect(nextPage(link, 300)).toBe('/jobs?limit=300&after=1.a');
    expect(nextPage(`<${nextPage(link, 300)}>; rel="next"`, 300)).toBe('/jobs?limit=300&after=1.a');
  });

  it('is none after the last, and none of another relation', () => {
    expect(nextPage(null, 300)).toBeNull();
    expect(nextPage('</jobs?limit=30>; rel="prev"', 300)).toBeNull();
  });
});

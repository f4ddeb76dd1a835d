/** A write whose answer is lost is sent again under the same id; one that is refused is not. */
import { HttpClient, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { TestRequest } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { idempotentWrites } from '../src/app/api/idempotent-writes';

const PEOPLE = '/api/shops/yard/people';
let http: HttpClient;
let server: HttpTestingController;
beforeEach(() => {
  jest.useFakeTimers();
  TestBed.configureTestingModule({
    providers: [provideHttpClient(withInterceptors([idempotentWrites])), provideHttpClientTesting()],
  });
  http = TestBed.inject(HttpClient);
  server = TestBed.inject(HttpTestingController);
});
afterEach(() => {
  server.verify();
  jest.useRealTimers();
});
const idOf = ({ request }: TestRequest): string | null =>
  request.headers.get('Idempotency-Key')?.replaceAll(`"`, '') ?? null;
const lost = (request: TestRequest): void => request.error(new ProgressEvent('error'), { status: 0 });
const busy = (request: TestRequest): void => request.flush({ detail: 'busy' }, { status: 503, statusText: 'Busy' });

it('is sent again with the id of the first time until it is answered', () => {
  const answers: unknown[] = [];
  http.post(PEOPLE, { name: 'Ida' }).subscribe((answer) => answers.push(answer));
  const first = server.expectOne(PEOPLE);
  lost(first);
  jest.advanceTimersByTime(800);
  const second = server.expectOne(PEOPLE);
  busy(second);
  jest.advanceTimersByTime(1600);
  const third = server.expectOne(PEOPLE);
  third.flush({ id: 1 });
  expect(idOf(first)).toMatch(/^[0-9a-f-]{36}$/);
  expect([idOf(second), idOf(third)]).toEqual([idOf(first), idOf(first)]);
  expect(answers).toEqual([{ id: 1 }]);
});

it('is given up after three times, with what was said last', () => {
  const failures: number[] = [];
  http.patch(PEOPLE, {}).subscribe({ error: ({ status }) => failures.push(status) });
  for (const wait of [800, 1600, 0]) {
    busy(server.expectOne(PEOPLE));
    jest.advanceTimersByTime(wait);
  }
  expect(failures).toEqual([503]);
});

it('is not sent again where it was refused', () => {
  const failures: number[] = [];
  http.post(PEOPLE, {}).subscribe({ error: ({ status }) => failures.push(status) });
  server.expectOne(PEOPLE).flush({ detail: 'no' }, { status: 422, statusText: 'Misfit' });
  jest.advanceTimersByTime(5000);
  expect(failures).toEqual([422]);
});

it('keeps an id that it has, and gives none to what is read, signed in with or sent as bytes', () => {
  http.post(PEOPLE, {}, { headers: { 'Idempotency-Key': '"device.item-0001"' } }).subscribe();
  http.get(PEOPLE).subscribe();
  http.post('/api/session', {}).subscribe();
  http.put('/api/shops/yard/captures/c/pieces/0', new Blob(['x'])).subscribe();
  const ids = [
    ...server.match(PEOPLE).map(idOf),
    ...server.match('/api/session').map(idOf),
    ...server.match('/api/shops/yard/captures/c/pieces/0').map(idOf),
  ];
  expect(ids).toEqual(['device.item-0001', null, null, null]);
});

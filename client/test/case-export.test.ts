/** A case that is taken out: by the server, which notes who took it, or as this device knows it. */
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import * as saving from '../src/app/kit/save-file';
import { OutboxActions } from '../src/app/outbox/outbox.actions';
import { Report } from '../src/app/screens/report/report';
import { openJob, standingBed } from './bench-fixtures';
import { JOB, jobView, reading } from './outbox-fixtures';

jest.mock('../src/app/kit/save-file', () => ({ saveFile: jest.fn(), saveText: jest.fn() }));
const saved = jest.mocked(saving.saveText);
const CASE = `/api/shops/one/jobs/${JOB}/case`;
let fixture: ComponentFixture<Report>;
let server: HttpTestingController;

beforeEach(async () => {
  saved.mockClear();
  standingBed();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  openJob(jobView([{ id: 'a', test: 'resting-voltage', value: 12.6 }]));
  fixture = TestBed.createComponent(Report);
  fixture.componentRef.setInput('id', JOB);
  server = TestBed.inject(HttpTestingController);
  TestBed.tick();
  server.expectOne(({ url }) => url.includes('/captures')).flush([]);
  server.expectOne(({ url }) => url.endsWith('/criteria')).flush({ usual: 'balanced', sets: [] });
  await fixture.whenStable();
});
const take = (): void =>
  [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')]
    .find(({ textContent }) => textContent!.trim() === 'Export the case')!
    .click();

it('is the server’s, to the letter', () => {
  take();
  server.expectOne(CASE).flush('{"format":"tetrad-case/1"}');
  expect(saved.mock.calls).toEqual([
    ['Test van-2026-03-02.case.json', 'application/json', '{"format":"tetrad-case/1"}'],
  ]);
});

it('without the server is what this device knows, with plate and status', () => {
  take();
  server.expectOne(CASE).error(new ProgressEvent('error'));
  const told = JSON.parse(saved.mock.calls[0]![2]);
  expect(told.readings).toHaveLength(1);
  expect(told.job).toMatchObject({ status: 'open', vehicle: { name: 'Test van' } });
});

it('with an entry that is not stored yet has that entry too', () => {
  TestBed.inject(Store).dispatch(OutboxActions.queued({ item: reading('b', 12.4) }));
  take();
  server.expectNone(CASE);
  expect(JSON.parse(saved.mock.calls[0]![2]).readings.map(({ id }: { id: string }) => id)).toEqual(['a', 'b']);
});

/** A file that the server makes: it is saved under the server's name, given up when asked, and a refusal is told in words. */
import { HttpEventType, provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { Download } from '../src/app/screens/report/download';
import * as saving from '../src/app/kit/save-file';
import { Toasts } from '../src/app/kit/toasts';

jest.mock('../src/app/kit/save-file', () => ({ saveFile: jest.fn(), saveText: jest.fn() }));
const saved = jest.mocked(saving.saveFile);
const say = jest.fn();
let download: Download;
let server: HttpTestingController;
beforeEach(() => {
  saved.mockClear();
  say.mockClear();
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), Download, { provide: Toasts, useValue: { say } }],
  });
  download = TestBed.inject(Download);
  server = TestBed.inject(HttpTestingController);
});
afterEach(() => server.verify());

const PDF = new Blob(['%PDF']);

it('is saved under the name that the server gave, umlauts too', () => {
  download.start('/report.pdf', 'else.pdf');
  expect([download.isRunning(), download.share()]).toEqual([true, null]);
  const asked = server.expectOne('/report.pdf');
  asked.event({ type: HttpEventType.DownloadProgress, loaded: 1, total: 4 });
  expect(download.share()).toBe(0.25);
  asked.flush(PDF, {
    headers: { 'Content-Disposition': 'attachment; filename="B-1.pdf"; filename*=UTF-8\'\'B%C3%BC-1.pdf' },
  });
  expect(saved).toHaveBeenCalledWith(expect.stringMatching(/^B.*-1\.pdf$/), PDF);
  expect(download.isRunning()).toBe(false);
});

it('is saved under another name where the server gave none', () => {
  download.start('/report.pdf', 'else.pdf');
  server.expectOne('/report.pdf').flush(PDF);
  expect(saved).toHaveBeenCalledWith('else.pdf', PDF);
});

it('is given up when asked: the request ends, and nothing is saved', () => {
  download.start('/report.pdf', 'else.pdf');
  const asked = server.expectOne('/report.pdf');
  download.cancel();
  expect([asked.cancelled, download.isRunning()]).toEqual([true, false]);
  expect(saved).not.toHaveBeenCalled();
});

it('that is refused is told in the server’s words', async () => {
  download.start('/report.pdf', 'else.pdf');
  const words = new Blob([JSON.stringify({ detail: 'Others are making reports just now.' })]);
  words.text = () => Promise.resolve(JSON.stringify({ detail: 'Others are making reports just now.' }));
  server.expectOne('/report.pdf').flush(words, { status: 503, statusText: 'Busy' });
  await new Promise((resolve) => setTimeout(resolve));
  expect(say).toHaveBeenCalledWith('Others are making reports just now.');
  expect(download.isRunning()).toBe(false);
});

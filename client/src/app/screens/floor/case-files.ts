import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { firstValueFrom, retry, throwError, timer } from 'rxjs';
import type { JobView } from '@tetrad/contracts';
import { describeMisfits, readCase } from '@tetrad/core';
import { Api } from '../../api/api';
import { mayRetry, problemOf } from '../../api/loading';
import { newId } from '../../device/new-id';

const RETRIES = 3;
const RETRY_MS = 1000;
const whereItHelps = (failure: HttpErrorResponse) => (mayRetry(failure) ? timer(RETRY_MS) : throwError(() => failure));

/** Cases in the open format, in from a file. */
@Injectable({ providedIn: 'root' })
export class CaseFiles {
  readonly #api = inject(Api);

  /** @returns the new job, or why the file is refused: every fault named by its path. */
  async import(shop: string, file: File): Promise<JobView | string> {
    const result = readCase(await file.text());
    if (!result.ok) return describeMisfits(result.misfits);
    // the same id every time: an import whose answer was lost is not done twice
    const sent = this.#api
      .importCase(shop, result.value, { writeId: newId() })
      .pipe(retry({ count: RETRIES, delay: whereItHelps }));
    return firstValueFrom(sent).catch((failure: HttpErrorResponse) => problemOf(failure).detail);
  }
}

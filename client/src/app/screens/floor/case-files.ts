import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import type { JobView } from '@tetrad/contracts';
import { describeMisfits, readCase } from '@tetrad/core';
import { Api } from '../../state/api';
import { problemOf } from '../../state/loading';

/** Cases in the open format, in from a file. */
@Injectable({ providedIn: 'root' })
export class CaseFiles {
  readonly #api = inject(Api);

  /** @returns the new job, or why the file is refused: every fault named by its path. */
  async import(shop: string, file: File): Promise<JobView | string> {
    const result = readCase(await file.text());
    if (!result.ok) return describeMisfits(result.misfits);
    return firstValueFrom(this.#api.importCase(shop, result.value)).catch(
      (failure: HttpErrorResponse) => problemOf(failure).detail,
    );
  }
}

import { Injectable, inject } from '@angular/core';
import type { RoundVehicle, RoundView } from '@tetrad/contracts';
import { EMPTY, catchError, expand, from, of, reduce, switchMap, tap, throwError } from 'rxjs';
import type { Observable } from 'rxjs';
import { Kept } from '../device/kept';
import { Api } from '../api/api';

/** The rounds of a shop and their vehicles, kept on this device: a round is walked where there is no network. */
@Injectable({ providedIn: 'root' })
export class RoundList {
  readonly #api = inject(Api);
  readonly #kept = inject(Kept);

  plans(shop: string): Observable<readonly RoundView[]> {
    return this.#orKept(`rounds:${shop}`, this.#api.listRounds(shop));
  }

  /** Every vehicle of a plan. */
  vehicles(shop: string, plan: string): Observable<readonly RoundVehicle[]> {
    const pages = this.#api.listRoundVehicles(shop, plan).pipe(
      expand(({ next }) => (next === null ? EMPTY : this.#api.nextPage<RoundVehicle>(next))),
      reduce((all: readonly RoundVehicle[], { rows }) => [...all, ...rows], []),
    );
    return this.#orKept(`round:${shop}:${plan}`, pages);
  }

  /** What the server tells; where it does not answer, what it told last. */
  #orKept<T>(key: string, asked: Observable<T>): Observable<T> {
    return asked.pipe(
      tap((answer) => void this.#kept.put(key, answer)),
      catchError((failure: unknown) =>
        from(this.#kept.get<T>(key)).pipe(
          switchMap((last) => (last === undefined ? throwError(() => failure) : of(last))),
        ),
      ),
    );
  }
}

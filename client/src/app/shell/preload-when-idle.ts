import { Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { EMPTY, timer } from 'rxjs';
import type { Observable } from 'rxjs';
import { catchError, mergeMap } from 'rxjs/operators';

/** The first screen and its data come before anything that may be wanted next. */
const IDLE_AFTER_MS = 1500;

/** Fetches the screens that are opened next, marked `preload`, once the first one stands; what fails is fetched when it is opened. */
@Injectable({ providedIn: 'root' })
export class PreloadWhenIdle implements PreloadingStrategy {
  preload(route: Route, load: () => Observable<unknown>): Observable<unknown> {
    return route.data?.['preload'] === true
      ? timer(IDLE_AFTER_MS).pipe(
          mergeMap(load),
          catchError(() => EMPTY),
        )
      : EMPTY;
  }
}

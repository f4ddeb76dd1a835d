import type { HttpErrorResponse } from '@angular/common/http';
import type { Action } from '@ngrx/store';
import { catchError, from, map, of, switchMap, tap } from 'rxjs';
import type { Observable } from 'rxjs';
import type { Problem } from '@tetrad/contracts';
import type { Kept } from '../device/kept';
import { problemOf } from './loading';

/** What is told of an answer, and of a failure. */
export interface Tells<T> {
  readonly loaded: (answer: T) => Action;
  readonly failed: (problem: Problem) => Action;
}

/** What the server answers, kept under `key`; where it does not answer, what it told last, and then the failure. */
export const keptAnswer = <T>(kept: Kept, key: string, asked: Observable<T>, tells: Tells<T>): Observable<Action> =>
  asked.pipe(
    tap((answer) => void kept.put(key, answer)),
    map((answer) => tells.loaded(answer)),
    catchError((failure: HttpErrorResponse) =>
      from(kept.get<T>(key)).pipe(
        switchMap((last) => {
          const failed = tells.failed(problemOf(failure));
          return last === undefined ? of(failed) : of(tells.loaded(last), failed);
        }),
      ),
    ),
  );

/**
 * The one way in which what is shared between screens is loaded: floor, job, instruments and session live in the
 * store, the server is asked for them, and while it does not answer what it told last is shown. What one screen shows
 * by itself is a resource of that screen.
 */
import type { HttpErrorResponse } from '@angular/common/http';
import type { Action } from '@ngrx/store';
import { catchError, from, map, of, switchMap, tap } from 'rxjs';
import type { Observable, OperatorFunction } from 'rxjs';
import type { Problem } from '@tetrad/contracts';
import type { Kept } from '../device/kept';
import { mayRetry, problemOf } from './loading';

/** What is told of an answer, and of a failure. */
export interface Tells<T> {
  readonly loaded: (answer: T) => Action;
  readonly failed: (problem: Problem) => Action;
  /** True for a failure in which what was told last still holds; where asking again may help, unless told otherwise. */
  readonly isAway?: (problem: Problem) => boolean;
}

/** What the server answers; where it does not answer, what was kept under `key`, and then the failure. */
export const orKept =
  <T>(kept: Kept, key: string, { loaded, failed, isAway = mayRetry }: Tells<T>): OperatorFunction<T, Action> =>
  (answers) =>
    answers.pipe(
      map(loaded),
      catchError((failure: HttpErrorResponse) => {
        const problem = problemOf(failure);
        if (!isAway(problem)) return of(failed(problem));
        return from(kept.get<T | null>(key)).pipe(
          switchMap((last) =>
            last === undefined || last === null ? of(failed(problem)) : of(loaded(last), failed(problem)),
          ),
        );
      }),
    );

/** What the server answers, kept under `key` for when it does not. */
export const keptAnswer = <T>(kept: Kept, key: string, asked: Observable<T>, tells: Tells<T>): Observable<Action> =>
  asked.pipe(
    tap((answer) => void kept.put(key, answer)),
    orKept(kept, key, tells),
  );

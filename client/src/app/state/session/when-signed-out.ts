import type { HttpErrorResponse, HttpInterceptorFn } from '@angular/common/http';
import { inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { tap } from 'rxjs';
import { SessionActions } from './session.feature';

/** A session that has ended is noticed by whatever is asked next. */
export const whenSignedOut: HttpInterceptorFn = (request, next) => {
  const store = inject(Store);
  return next(request).pipe(
    tap({
      error: ({ status }: HttpErrorResponse) => {
        if (status === 401 && !request.url.startsWith('/api/session')) store.dispatch(SessionActions.load());
      },
    }),
  );
};

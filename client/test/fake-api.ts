import type { FactoryProvider } from '@angular/core';
import { Api } from '../src/app/api/api';

/** A server that answers these operations; any other that is asked fails the test by its name. */
export const apiThat = (answers: Partial<Api>): Api =>
  new Proxy(answers, {
    get: (known, name) => {
      if (name in known || typeof name === 'symbol' || name === 'ngOnDestroy') return known[name as keyof Api];
      return () => {
        throw new Error(`the server was asked ${name}`);
      };
    },
  }) as Api;

export const fakeApi = (answers: Partial<Api>): FactoryProvider => ({
  provide: Api,
  useFactory: () => apiThat(answers),
});

import { provideHttpClient, withFetch } from '@angular/common/http';
import type { ApplicationConfig } from '@angular/core';
import { provideZonelessChangeDetection } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { providePrimeNG } from 'primeng/config';
import { ROUTES } from './app.routes';
import { FloorEffects } from './state/floor/floor.effects';
import { floorReducer } from './state/floor/floor.reducer';
import { JobEffects } from './state/job/job.effects';
import { jobReducer } from './state/job/job.reducer';
import { LiveEffects } from './state/live/live.effects';
import { OutboxEffects } from './state/outbox/outbox.effects';
import { outboxReducer } from './state/outbox/outbox.reducer';
import { ShopEffects } from './state/shop/shop.effects';
import { shopReducer } from './state/shop/shop.reducer';
import { DRAFTING } from './theme/preset';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch()),
    provideRouter(ROUTES, withComponentInputBinding()),
    provideStore({ shop: shopReducer, floor: floorReducer, job: jobReducer, outbox: outboxReducer }),
    provideEffects(ShopEffects, FloorEffects, JobEffects, OutboxEffects, LiveEffects),
    providePrimeNG({ theme: { preset: DRAFTING, options: { darkModeSelector: '.dark' } } }),
  ],
};

import { provideHttpClient, withFetch } from '@angular/common/http';
import type { ApplicationConfig } from '@angular/core';
import { isDevMode, provideEnvironmentInitializer, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore } from '@ngrx/store';
import { providePrimeNG } from 'primeng/config';
import { ROUTES } from './app.routes';
import { resumeSending } from './captures/resume-sending';
import { MessageService } from 'primeng/api';
import { OutboxEffects } from './outbox/outbox.effects';
import { outboxFeature } from './outbox/outbox.feature';
import { DRAFTING } from './kit/theme';
import { ShopEffects } from './state/shop/shop.effects';
import { shopFeature } from './state/shop/shop.feature';

/** What every screen needs; what one screen needs is provided with its route. */
export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch()),
    provideRouter(ROUTES, withComponentInputBinding()),
    provideStore(),
    provideState(shopFeature),
    provideState(outboxFeature),
    provideEffects(ShopEffects, OutboxEffects),
    providePrimeNG({
      theme: { preset: DRAFTING, options: { darkModeSelector: '.dark', cssLayer: { name: 'primeng' } } },
    }),
    MessageService,
    provideEnvironmentInitializer(resumeSending),
    provideServiceWorker('ngsw-worker.js', {
      enabled: !isDevMode(),
      registrationStrategy: 'registerWhenStable:10000',
    }),
  ],
};

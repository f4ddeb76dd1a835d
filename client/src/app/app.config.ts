import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import type { ApplicationConfig } from '@angular/core';
import { isDevMode, provideEnvironmentInitializer, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter, withComponentInputBinding, withPreloading } from '@angular/router';
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
import { PreloadWhenIdle } from './shell/preload-when-idle';
import { SessionEffects } from './state/session/session.effects';
import { sessionFeature } from './state/session/session.feature';
import { whenSignedOut } from './state/session/when-signed-out';
import { idempotentWrites } from './api/idempotent-writes';

/** What every screen needs; what one screen needs is provided with its route. */
export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch(), withInterceptors([whenSignedOut, idempotentWrites])),
    provideRouter(ROUTES, withComponentInputBinding(), withPreloading(PreloadWhenIdle)),
    provideStore(),
    provideState(sessionFeature),
    provideState(outboxFeature),
    provideEffects(SessionEffects, OutboxEffects),
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

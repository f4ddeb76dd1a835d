import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import { InstrumentsEffects } from '../../instruments/instruments.effects';
import { instrumentsFeature } from '../../instruments/instruments.feature';

const ROUTES: Routes = [
  {
    path: '',
    providers: [provideState(instrumentsFeature), provideEffects(InstrumentsEffects)],
    children: [
      { path: '', pathMatch: 'full', loadComponent: () => import('./rounds').then((m) => m.Rounds) },
      {
        path: ':plan',
        title: 'Round · Tetrad',
        loadComponent: () => import('./round-check').then((m) => m.RoundCheckScreen),
      },
      {
        path: ':plan/sheet',
        title: 'Round sheet · Tetrad',
        loadComponent: () => import('./round-sheet').then((m) => m.RoundSheet),
      },
    ],
  },
];
export default ROUTES;

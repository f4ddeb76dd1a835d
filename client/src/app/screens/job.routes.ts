import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import { InstrumentsEffects } from '../instruments/instruments.effects';
import { instrumentsFeature } from '../instruments/instruments.feature';
import { JobsEffects } from '../job/jobs.effects';
import { jobsFeature } from '../job/jobs.feature';

/** The screens of one job, with the state they share. */
const ROUTES: Routes = [
  {
    path: '',
    providers: [
      provideState(jobsFeature),
      provideState(instrumentsFeature),
      provideEffects(JobsEffects, InstrumentsEffects),
    ],
    children: [
      {
        path: '',
        title: 'Bench · Tetrad',
        data: { preload: true },
        loadComponent: () => import('./bench/bench').then((m) => m.Bench),
      },
      {
        path: 'captures',
        title: 'Captures · Tetrad',
        loadComponent: () => import('./captures/captures').then((m) => m.Captures),
      },
      {
        path: 'report',
        title: 'Report · Tetrad',
        loadComponent: () => import('./report/report').then((m) => m.Report),
      },
      {
        path: 'wheel',
        title: 'Wheel · Tetrad',
        loadComponent: () => import('./wheel/wheel').then((m) => m.Wheel),
      },
    ],
  },
];
export default ROUTES;

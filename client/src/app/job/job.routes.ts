import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import { InstrumentsEffects } from '../instruments/instruments.effects';
import { instrumentsFeature } from '../instruments/instruments.feature';
import { JobsEffects } from './jobs.effects';
import { jobsFeature } from './jobs.feature';

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
        loadComponent: () => import('../screens/bench/bench').then((m) => m.Bench),
      },
      {
        path: 'captures',
        title: 'Captures · Tetrad',
        loadComponent: () => import('../screens/captures/captures').then((m) => m.Captures),
      },
      {
        path: 'report',
        title: 'Report · Tetrad',
        loadComponent: () => import('../screens/report/report').then((m) => m.Report),
      },
      {
        path: 'wheel',
        title: 'Wheel · Tetrad',
        loadComponent: () => import('../screens/wheel/wheel').then((m) => m.Wheel),
      },
    ],
  },
];
export default ROUTES;

import type { Routes } from '@angular/router';

/** One folder per screen, each loaded when it is first opened. */
export const ROUTES: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'floor' },
  { path: 'floor', title: 'Floor · Tetrad', loadComponent: () => import('./floor/floor').then((m) => m.Floor) },
  { path: 'jobs/:job', title: 'Bench · Tetrad', loadComponent: () => import('./bench/bench').then((m) => m.Bench) },
  {
    path: 'jobs/:job/report',
    title: 'Report · Tetrad',
    loadComponent: () => import('./report/report').then((m) => m.Report),
  },
  {
    path: 'jobs/:job/wheel',
    title: 'Wheel · Tetrad',
    loadComponent: () => import('./wheel/wheel').then((m) => m.Wheel),
  },
  { path: 'quick', title: 'Quick check · Tetrad', loadComponent: () => import('./quick/quick').then((m) => m.Quick) },
  { path: '**', redirectTo: 'floor' },
];

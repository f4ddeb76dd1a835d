import type { Routes } from '@angular/router';

declare const ngDevMode: boolean | undefined;

/** One folder per screen, each loaded when it is first opened, with the state it needs. */
export const ROUTES: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'floor' },
  { path: 'floor', title: 'Floor · Tetrad', loadChildren: () => import('./screens/floor/floor.routes') },
  { path: 'jobs/:id', data: { preload: true }, loadChildren: () => import('./screens/job.routes') },
  {
    path: 'quick',
    title: 'Quick check · Tetrad',
    loadComponent: () => import('./screens/quick/quick').then((m) => m.Quick),
  },
  {
    path: 'instruments',
    title: 'Instruments · Tetrad',
    loadChildren: () => import('./screens/instruments/instruments.routes'),
  },
  {
    path: 'vehicles',
    title: 'Vehicles · Tetrad',
    loadComponent: () => import('./screens/vehicles/vehicle-list').then((m) => m.VehicleList),
  },
  {
    path: 'rounds',
    title: 'Rounds · Tetrad',
    loadChildren: () => import('./screens/rounds/rounds.routes'),
  },
  {
    path: 'vehicles/:id',
    title: 'Vehicle · Tetrad',
    loadComponent: () => import('./screens/vehicles/vehicle-page').then((m) => m.VehiclePage),
  },
  {
    path: 'practice',
    title: 'Practice · Tetrad',
    loadComponent: () => import('./screens/practice/practice-list').then((m) => m.PracticeList),
  },
  {
    path: 'practice/class',
    title: 'Class · Tetrad',
    loadComponent: () => import('./screens/practice/practice-class').then((m) => m.PracticeClass),
  },
  {
    path: 'practice/:exercise',
    title: 'Practice · Tetrad',
    loadComponent: () => import('./screens/practice/practice-bay').then((m) => m.PracticeBayScreen),
  },
  {
    path: 'sign-in',
    title: 'Sign in · Tetrad',
    loadComponent: () => import('./screens/sign-in/sign-in').then((m) => m.SignIn),
  },
  {
    path: 'people',
    title: 'People · Tetrad',
    loadComponent: () => import('./screens/people/people').then((m) => m.People),
  },
  {
    path: 'desk',
    title: 'Desk · Tetrad',
    loadComponent: () => import('./screens/desk/desk').then((m) => m.Desk),
  },
  {
    path: 'desk/:sum',
    title: 'Desk · Tetrad',
    loadComponent: () => import('./screens/desk/desk').then((m) => m.Desk),
  },
  {
    path: 'guide',
    title: 'Guide · Tetrad',
    loadComponent: () => import('./screens/guide/guide').then((m) => m.Guide),
  },
  {
    path: 'guide/:page',
    title: 'Guide · Tetrad',
    loadComponent: () => import('./screens/guide/guide').then((m) => m.Guide),
  },
  {
    path: 'maker-figures',
    title: 'Maker’s figures · Tetrad',
    loadComponent: () => import('./screens/maker-figures/maker-figures').then((m) => m.MakerFiguresScreen),
  },
  {
    path: 'outcomes',
    title: 'Outcomes · Tetrad',
    loadComponent: () => import('./screens/outcomes/outcomes').then((m) => m.Outcomes),
  },
  {
    path: 'criteria',
    title: 'Limit sets · Tetrad',
    loadComponent: () => import('./screens/criteria/criteria-list').then((m) => m.CriteriaList),
  },
  {
    path: 'criteria/:id',
    title: 'Limit set · Tetrad',
    loadComponent: () => import('./screens/criteria/criteria-edit').then((m) => m.CriteriaEdit),
  },
  {
    path: 'open-interface',
    title: 'API · Tetrad',
    loadComponent: () => import('./screens/open-interface/open-interface').then((m) => m.OpenInterface),
  },
  {
    path: 'audit-log',
    title: 'Audit log · Tetrad',
    loadComponent: () => import('./screens/people/audit-log').then((m) => m.AuditLog),
  },
  // every part of the kit in both themes, in development only
  ...(typeof ngDevMode === 'undefined' || ngDevMode
    ? [{ path: 'kit', title: 'Kit · Tetrad', loadComponent: () => import('./screens/kit/kit').then((m) => m.Kit) }]
    : []),
  { path: '**', redirectTo: 'floor' },
];

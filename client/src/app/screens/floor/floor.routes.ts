import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import { FloorEffects } from '../../state/floor/floor.effects';
import { floorFeature } from '../../state/floor/floor.feature';
import { Floor } from './floor';

const ROUTES: Routes = [
  { path: '', component: Floor, providers: [provideState(floorFeature), provideEffects(FloorEffects)] },
];
export default ROUTES;

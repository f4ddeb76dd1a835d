import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import { InstrumentsEffects } from '../../instruments/instruments.effects';
import { instrumentsFeature } from '../../instruments/instruments.feature';
import { Instruments } from './instruments';

const ROUTES: Routes = [
  {
    path: '',
    component: Instruments,
    providers: [provideState(instrumentsFeature), provideEffects(InstrumentsEffects)],
  },
];
export default ROUTES;

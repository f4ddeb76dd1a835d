import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { InstrumentActions } from '../../instruments/instruments.feature';
import { LiveReadings } from '../../instruments/live/live-readings';
import { LiveStep } from '../../instruments/live/live-step';
import { LiveValue } from '../../instruments/live/live-value';
import { WheelLiveStep } from './wheel-live-step';

/** What an instrument shows of the reading that comes next; nothing where none is read live. */
@Component({
  selector: 'tt-wheel-live',
  imports: [LiveValue],
  providers: [{ provide: LiveStep, useClass: WheelLiveStep }, LiveReadings],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (live.reading(); as now) {
      @if (step(); as next) {
        <tt-live-value [live]="now" [test]="next.test" [beside]="live.now()" [mayKeep]="false" />
      }
    }
  `,
})
export class WheelLive {
  protected readonly step = inject(LiveStep).open;
  protected readonly live = inject(LiveReadings);

  constructor() {
    inject(Store).dispatch(InstrumentActions.load());
  }
}

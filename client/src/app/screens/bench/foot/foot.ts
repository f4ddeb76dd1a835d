import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { JobStore } from '../../../job/job.store';
import { VoltSteps } from '../../../kit/volt-steps';
import { ProfileView } from '../../../kit/profile-view';
import { Segmented } from '../../../kit/segmented';
import { LastVisit } from '../last-visit';
import { LastVisitView } from './last-visit-view';
import { WaysView } from './ways-view';

type View = 'profile' | 'starting' | 'charging' | 'ways' | 'last';

/** What the readings look like together: the profile, where the volts went, the ways to the battery's health. */
@Component({
  selector: 'tt-foot',
  imports: [LastVisitView, ProfileView, Segmented, VoltSteps, WaysView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (views().length > 1) {
      <tt-segmented
        class="views"
        label="What the foot shows"
        [quiet]="true"
        [options]="views()"
        [value]="shown()"
        (valueChange)="wished.set($event!)"
      />
    }
    @switch (shown()) {
      @case ('profile') {
        @if (job.profile(); as shape) {
          <tt-profile class="view" [profile]="shape" />
        }
      }
      @case ('last') {
        <tt-last-visit class="view" />
      }
      @case ('ways') {
        <tt-ways class="view" />
      }
      @default {
        <tt-volt-steps class="view" [budget]="budget()" [from]="from()" />
      }
    }
  `,
  styleUrl: './foot.css',
})
export class Foot {
  protected readonly job = inject(JobStore);
  readonly #last = inject(LastVisit);
  readonly #budgets = computed(() => this.job.judgement()?.budget);
  protected readonly views = computed(() => {
    const { starting = [], charging = [] } = this.#budgets() ?? {};
    const ways = this.job.judgement()?.derived.ways ?? [];
    const all: { value: View; label: string; isThere: boolean }[] = [
      { value: 'profile', label: 'Profile', isThere: true },
      { value: 'starting', label: 'Volts while starting', isThere: starting.length > 0 },
      { value: 'charging', label: 'Volts while charging', isThere: charging.length > 0 },
      { value: 'ways', label: 'Battery, by each way', isThere: ways.length > 0 },
      { value: 'last', label: 'Last visit', isThere: this.#last.visit() !== null },
    ];
    return all.filter(({ isThere }) => isThere);
  });
  /** What was chosen; another job begins with the profile. */
  protected readonly wished = linkedSignal<string | null, View>({
    source: () => this.job.id(),
    computation: () => 'profile',
  });
  protected readonly shown = computed((): View => {
    const wished = this.wished();
    return this.views().some(({ value }) => value === wished) ? wished : 'profile';
  });
  /** The last visit beside this one, or back to the profile. */
  compare(): void {
    this.wished.set(this.shown() === 'last' ? 'profile' : 'last');
  }
  protected readonly budget = computed(() => {
    const budgets = this.#budgets();
    return this.shown() === 'charging' ? (budgets?.charging ?? []) : (budgets?.starting ?? []);
  });
  protected readonly from = computed(() => (this.shown() === 'charging' ? 'at the alternator' : 'at rest'));
}

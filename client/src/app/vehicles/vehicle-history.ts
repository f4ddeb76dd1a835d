import { Injectable, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { HistoryVisit, VehicleKindView } from '@tetrad/contracts';
import { SERIES, trendsOf } from '@tetrad/core/trends';
import type { Measure, TrendVisit } from '@tetrad/core/trends';
import { catchError, of } from 'rxjs';
import { Api } from '../api/api';
import { selectShop } from '../state/session/session.feature';

/** One vehicle with all its visits, and what follows from them. */
@Injectable()
export class VehicleHistory {
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  /** The vehicle in view. */
  readonly id = signal<string | null>(null);

  readonly #asked = computed(() => {
    const [shop, id] = [this.#shop(), this.id()];
    return shop === null || id === null ? undefined : { shop, id };
  });
  readonly vehicle = rxResource({
    params: this.#asked,
    stream: ({ params: { shop, id } }) => this.#api.getVehicle(shop, id),
  });
  readonly visits = rxResource({
    params: this.#asked,
    stream: ({ params: { shop, id } }) => this.#api.getHistory(shop, id),
  });

  /** What other vehicles of its kind show; it only stands beside. */
  readonly kind = rxResource({
    params: this.#asked,
    stream: ({ params: { shop, id } }) =>
      this.#api.getKind(shop, id).pipe(catchError(() => of({ bands: [] } satisfies VehicleKindView))),
  });
  readonly bands = computed(() => (this.kind.hasValue() ? this.kind.value().bands : []));
  readonly captures = rxResource({
    params: this.#asked,
    stream: ({ params: { shop, id } }) => this.#api.listVehicleCaptures(shop, id).pipe(catchError(() => of([]))),
  });

  readonly trends = computed(() => trendsOf((this.visits.hasValue() ? this.visits.value() : []).map(trendVisit)));
  /** Of the newest visit that told one. */
  readonly system = computed(() => (this.visits.hasValue() ? (this.visits.value().at(-1)?.system ?? null) : null));
  /** The newest figure of every series, of the battery that is in it now. */
  readonly newest = computed((): readonly Measure[] => {
    const { trends, batteries } = this.trends();
    const since = batteries.at(-1)?.at ?? '';
    return trends.flatMap(({ series, segments }) => {
      const last = segments.at(-1)?.at(-1);
      if (!last || (SERIES[series].isOfBattery && last.at < since)) return [];
      const { value, spread, celsius } = last;
      return [{ series, value, spread, ...(celsius !== undefined && { celsius }) }];
    });
  });

  reload(): void {
    this.vehicle.reload();
    this.visits.reload();
    this.captures.reload();
  }
}

/** The battery was what was repaired, or it is among the parts that were fitted. */
const isBatteryFitted = ({ action, part, partsFitted }: NonNullable<HistoryVisit['signOff']>): boolean =>
  (action === 'repaired' && part === 'battery') || partsFitted.some((fitted) => /\bbattery\b/i.test(fitted));

const trendVisit = ({ job, openedAt, system, measures, signOff }: HistoryVisit): TrendVisit => ({
  job,
  at: openedAt,
  system,
  measures,
  hasNewBattery: signOff !== null && isBatteryFitted(signOff),
  by: signOff?.by ?? null,
});

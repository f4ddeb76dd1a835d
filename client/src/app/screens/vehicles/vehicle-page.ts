import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { HistoryVisit, VehicleView } from '@tetrad/contracts';
import { SYMPTOMS, decisionWords } from '@tetrad/core';
import type { SymptomName } from '@tetrad/core';
import { TableModule } from 'primeng/table';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { ProfileView } from '../../kit/profile-view';
import { Coming, Empty } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { Api } from '../../api/api';
import { newId } from '../../device/new-id';
import { selectMay, selectShop } from '../../state/session/session.feature';
import { VehicleHistory } from '../../vehicles/vehicle-history';
import { BatteryList } from './battery-list';
import { MoveDialog } from './move-dialog';
import { TripBalance } from './trip-balance';
import { VehicleEdit } from './vehicle-edit';
import { VehicleTrends } from './vehicle-trends';
import { WinterForecast } from './winter-forecast';

/** One vehicle over time: its visits, its batteries, what is followed, and the winter. */
@Component({
  selector: 'tt-vehicle-page',
  imports: [
    BatteryList,
    Button,
    Coming,
    DatePipe,
    Empty,
    MoveDialog,
    ProfileView,
    RouterLink,
    TableModule,
    TripBalance,
    VehicleEdit,
    VehicleTrends,
    WinterForecast,
  ],
  providers: [VehicleHistory],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './vehicle-page.html',
  styleUrl: './vehicle-page.css',
})
export class VehiclePage {
  readonly #api = inject(Api);
  readonly #router = inject(Router);
  readonly #toasts = inject(Toasts);
  readonly #figures = inject(Figures);
  readonly #store = inject(Store);
  readonly #shop = this.#store.selectSignal(selectShop);
  protected readonly mayMove = this.#store.selectSignal(selectMay('see-all-jobs'));
  protected readonly history = inject(VehicleHistory);
  /** From the address. */
  readonly id = input.required<string>();
  protected readonly editing = signal(false);
  /** The job that is moved to another vehicle; all of them for `all`. */
  protected readonly moving = signal<string | null>(null);

  protected readonly vehicle = computed(() => (this.history.vehicle.hasValue() ? this.history.vehicle.value() : null));
  protected readonly visits = computed(() =>
    this.history.visits.hasValue() ? [...this.history.visits.value()].reverse().map((visit) => this.#row(visit)) : [],
  );
  protected readonly captures = computed(() =>
    (this.history.captures.hasValue() ? this.history.captures.value() : []).map((capture) => ({
      ...capture,
      size: capture.bytes < 1e6 ? `${Math.ceil(capture.bytes / 1e3)} kB` : `${(capture.bytes / 1e6).toFixed(1)} MB`,
    })),
  );
  protected readonly facts = computed(() => {
    const vehicle = this.vehicle();
    return [vehicle?.vin, vehicle?.year, vehicle?.group].filter(Boolean).join(' · ');
  });

  constructor() {
    effect(() => this.history.id.set(this.id()));
  }

  protected saved(): void {
    this.editing.set(false);
    this.history.reload();
  }

  /** Moves what was chosen to another vehicle; it can be taken back from what is told. */
  protected move({ id: to, name }: VehicleView): void {
    const [shop, moving, from] = [this.#shop(), this.moving(), this.id()];
    this.moving.set(null);
    if (shop === null || moving === null) return;
    const body = { id: newId(), to, ...(moving !== 'all' && { jobs: [moving] }) };
    this.#api.moveJobs(shop, from, body).subscribe({
      next: ({ moved }) => {
        const jobs = moved === 1 ? 'One job' : `${moved} jobs`;
        const undo = (): void => void this.#api.undoMove(shop, body.id).subscribe(() => this.history.reload());
        this.#toasts.say(`${jobs} moved to ${name}.`, undo);
        if (moving === 'all') void this.#router.navigate(['/vehicles', to]);
        else this.history.reload();
      },
      error: () => this.#toasts.say('Nothing was moved: the server does not answer.'),
    });
  }

  #row({ job, openedAt, status, symptoms, decision, profile, signOff }: HistoryVisit) {
    return {
      job,
      openedAt,
      isOpen: status !== 'closed',
      complaint: symptoms.map((name) => SYMPTOMS[name as SymptomName]?.name ?? name).join(', ') || '–',
      decision: decision === null ? 'Nothing read' : decisionWords(decision, this.#figures.format()),
      fitted: signOff?.partsFitted.join(', ') ?? '',
      profile,
    };
  }
}

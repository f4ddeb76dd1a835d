import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, output, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { NewJob, checkBody } from '@tetrad/contracts';
import type { VehicleView, VisitView } from '@tetrad/contracts';
import { SYMPTOMS, SYMPTOM_NAMES, decisionWords, parseEntry, readBatteryLabel, readVin } from '@tetrad/core';
import type { SymptomName } from '@tetrad/core';
import { Dialog } from 'primeng/dialog';
import { catchError, of } from 'rxjs';
import { PARTS_REPLACED } from '../label/parts-replaced';
import { ScanButton } from '../label/scan-button';
import { draftOf, systemOf } from '../label/system-draft';
import type { DraftProblem, SystemDraft } from '../label/system-draft';
import { SystemFields } from '../label/system-fields';
import { VinField } from '../label/vin-field';
import { FocusFirst } from '../parts/focus-first';
import { toggled } from '../parts/toggled';
import { Api } from '../state/api';
import { newId } from '../state/new-id';
import { selectShop } from '../state/shop/shop.reducer';

/** A job as the dialog hands it over: a body that fits its class. */
export type JobDraft = NewJob;

const BLANK = draftOf({ nominalVolts: 12, battery: { chemistry: 'flooded' } });

/** Three fields open a job: the vehicle, the battery's rating, what is wrong. The rest is asked when a test needs it. */
@Component({
  selector: 'tt-new-job-dialog',
  imports: [DatePipe, Dialog, FocusFirst, ScanButton, SystemFields, VinField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './new-job-dialog.html',
  styleUrl: './new-job-dialog.css',
})
export class NewJobDialog {
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly opened = output<JobDraft>();
  readonly closed = output();

  protected readonly symptoms = SYMPTOM_NAMES.map((value) => ({ value, label: SYMPTOMS[value].name }));
  protected readonly replaceable = PARTS_REPLACED;
  protected readonly name = signal('');
  protected readonly plate = signal('');
  protected readonly vin = signal('');
  protected readonly year = signal('');
  protected readonly system = signal<SystemDraft>(BLANK);
  protected readonly celsius = signal('');
  protected readonly chosen = signal<ReadonlySet<SymptomName>>(new Set());
  protected readonly replaced = signal<ReadonlySet<string>>(new Set());
  protected readonly problems = signal<Readonly<Record<string, string>>>({});
  protected readonly systemProblems = signal<readonly DraftProblem[]>([]);
  /** Vehicles of the shop; empty while the server is away: a new one can be opened all the same. */
  protected readonly vehicles = signal<readonly VehicleView[]>([]);
  protected readonly visits = signal<readonly VisitView[]>([]);
  protected readonly decisionWords = decisionWords;

  /** The vehicle that was here before, by its name or plate. */
  protected readonly known = computed((): VehicleView | null => {
    const [name, plate] = [this.name().trim().toLowerCase(), this.plate().trim().toLowerCase()];
    if (name === '' && plate === '') return null;
    const byPlate = plate !== '' && this.vehicles().find((vehicle) => vehicle.plate?.toLowerCase() === plate);
    return byPlate || (this.vehicles().find((vehicle) => vehicle.name.toLowerCase() === name) ?? null);
  });

  constructor() {
    const shop = this.#shop();
    if (shop !== null)
      this.#api
        .vehicles(shop)
        .pipe(catchError(() => of([])))
        .subscribe((vehicles) => this.vehicles.set(vehicles));
    effect(() => {
      const known = this.known();
      untracked(() => this.#recall(known));
    });
  }

  /** Whatever earlier visits recorded is there again. */
  #recall(known: VehicleView | null): void {
    this.visits.set([]);
    const shop = this.#shop();
    if (known === null || shop === null) return;
    if (this.name().trim() === '') this.name.set(known.name);
    if (this.plate().trim() === '') this.plate.set(known.plate ?? '');
    if (this.vin().trim() === '') this.vin.set(known.vin ?? '');
    if (this.year().trim() === '') this.year.set(known.year === null ? '' : String(known.year));
    this.#api
      .visits(shop, known.id)
      .pipe(catchError(() => of([])))
      .subscribe((visits) => {
        if (this.known()?.id !== known.id) return;
        this.visits.set(visits);
        const last = visits[0];
        if (last && this.system() === BLANK) this.system.set(draftOf(last.system));
      });
  }

  protected toggle(symptom: SymptomName): void {
    this.chosen.update((before) => toggled(before, symptom));
  }
  protected toggleReplaced(part: string): void {
    this.replaced.update((before) => toggled(before, part));
  }

  /** What the battery's code tells is taken over; what it does not tell stays. */
  protected takeLabel(text: string): void {
    const { nominalVolts, capacityAh, rating, chemistry } = readBatteryLabel(text);
    this.system.update((before) => ({
      ...before,
      ...(nominalVolts && { nominal: nominalVolts }),
      ...(capacityAh && { capacity: String(capacityAh) }),
      ...(rating && { rating: String(rating.value), standard: rating.standard }),
      ...(chemistry && { chemistry }),
    }));
    this.problems.set(
      rating || capacityAh || chemistry ? {} : { label: `The code holds “${text.slice(0, 60)}”: no rating in it.` },
    );
  }

  protected submit(event: Event): void {
    event.preventDefault();
    const system = systemOf(this.system());
    this.systemProblems.set(system.ok ? [] : system.problems);
    const problems: Record<string, string> = {};
    const celsius = parseEntry(this.celsius(), '°C');
    if (!celsius.ok && celsius.fault.code !== 'empty')
      problems['celsius'] = `Found “${this.celsius()}”; allowed is a number in °C.`;
    const vin = this.vin().trim() === '' ? null : readVin(this.vin(), new Date().getFullYear());
    if (vin && !vin.ok) problems['vin'] = vin.problem;
    this.problems.set(problems);
    if (!system.ok || Object.keys(problems).length > 0) return;
    const year = this.year().trim() || (vin?.ok && vin.year ? String(vin.year) : '');
    const draft = {
      id: newId(),
      vehicle: {
        id: this.known()?.id ?? newId(),
        name: this.name().trim(),
        ...(this.plate().trim() && { plate: this.plate().trim() }),
        ...(vin?.ok && { vin: vin.vin }),
        ...(year && { year: Number(year) }),
      },
      system: system.system,
      complaint: {
        symptoms: [...this.chosen()],
        ...(this.replaced().size > 0 && { partsAlreadyReplaced: [...this.replaced()] }),
      },
      conditions: celsius.ok ? { batteryCelsius: celsius.value, ambientCelsius: celsius.value } : {},
    };
    const result = checkBody(NewJob, draft);
    if (result.ok) this.opened.emit(draft);
    else
      this.problems.set(
        Object.fromEntries(
          result.errors.map(({ field, found, allowed }) => [field, `Found ${found}; allowed is ${allowed}.`]),
        ),
      );
  }
}

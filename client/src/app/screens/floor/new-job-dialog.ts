import { DatePipe } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  output,
  signal,
  untracked,
} from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { NewJob, VehicleView, VisitView } from '@tetrad/contracts';
import { SYMPTOMS, SYMPTOM_NAMES, headline, namedLike, readBatteryLabel } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { catchError, EMPTY, map, of, switchMap, timer } from 'rxjs';
import type { Observable } from 'rxjs';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { CheckList } from '../../kit/check-list';
import { Dialog } from '../../kit/dialog';
import { Field } from '../../kit/field';
import { FocusFirst } from '../../kit/focus-first';
import { Fold } from '../../kit/fold';
import { focusProblem } from '../../kit/forms/body-form';
import { controlValue } from '../../kit/forms/control-value';
import { Figure } from '../../kit/forms/figure';
import { keptDraft } from '../../kit/forms/kept-draft';
import { TypedAhead } from '../../kit/keys/typed-ahead';
import { Suggest } from '../../kit/suggest';
import { PARTS_REPLACED } from '../../label/parts-replaced';
import { ScanButton } from '../../label/scan-button';
import { BLANK_DRAFT, draftOf } from '../../label/system-draft';
import type { SystemDraft } from '../../label/typed-system';
import { SystemFields } from '../../label/system-fields';
import { VinField } from '../../label/vin-field';
import { specifiedWords } from '../../maker-figures/figure-words';
import { unfilled } from '../../maker-figures/fill-draft';
import { Api } from '../../api/api';
import { selectShop } from '../../state/session/session.feature';
import { newJobForm, newJobOf } from './new-job-form';

/** Words that are searched for, characters; and the pause in typing after which they are, ms. */
const MAX_SOUGHT = 80;
const PAUSE_MS = 150;

/** Three fields open a job: the vehicle, the battery's rating, what is wrong. The rest is asked when a test needs it. */
@Component({
  selector: 'tt-new-job-dialog',
  imports: [
    Button,
    CheckList,
    DatePipe,
    Dialog,
    Field,
    Figure,
    FocusFirst,
    Fold,
    InputText,
    ReactiveFormsModule,
    ScanButton,
    Suggest,
    SystemFields,
    VinField,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './new-job-dialog.html',
  styleUrl: './new-job-dialog.css',
})
export class NewJobDialog {
  readonly #ahead = inject(TypedAhead);
  readonly #api = inject(Api);
  readonly #figures = inject(Figures);
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly opened = output<NewJob>();
  /** The id of an open job that is continued. */
  readonly resumed = output<string>();
  readonly closed = output();

  protected readonly form = newJobForm(this.#figures.choice());
  readonly #dropDraft = keptDraft(this.form, 'new-job');
  readonly #typed = controlValue(() => this.form);
  protected readonly symptoms = SYMPTOM_NAMES.map((value) => ({ value, label: SYMPTOMS[value].name }));
  protected readonly replaceable = PARTS_REPLACED.map((value) => ({ value, label: value }));
  protected readonly labelProblem = signal<string | null>(null);
  protected readonly temperatureUnit = computed(() => (this.#figures.choice().temperature === 'F' ? '°F' : '°C'));
  /** Vehicles that were found so far; none while the server is away: a new one can be opened all the same. */
  readonly #vehicles = signal<readonly VehicleView[]>([]);
  protected readonly names = computed(() => this.#vehicles().map(({ name }) => name));
  protected readonly visits = signal<readonly VisitView[]>([]);
  /** The visit before this one, with how it ended. */
  protected readonly last = computed(() => {
    const [visit] = this.visits();
    if (!visit) return null;
    const words = visit.decision && headline(visit.decision, visit.signOff, this.#figures.format()).words;
    return { ...visit, words: words ?? 'not judged' };
  });
  protected readonly hasMoreProblem = computed(() => {
    this.#typed();
    const { vin, vehicle } = this.form.controls;
    return (vin.touched && vin.invalid) || vehicle.controls.year.invalid || this.labelProblem() !== null;
  });

  /** The vehicle that was here before, by its name or plate. */
  readonly #known = computed(
    (): VehicleView | null => {
      const { vehicle } = this.#typed();
      const [name, plate] = [vehicle.name.trim().toLowerCase(), vehicle.plate.trim().toLowerCase()];
      if (name === '' && plate === '') return null;
      const byPlate = plate !== '' && this.#vehicles().find((known) => known.plate?.toLowerCase() === plate);
      return byPlate || (this.#vehicles().find((known) => known.name.toLowerCase() === name) ?? null);
    },
    { equal: (a, b) => a?.id === b?.id },
  );

  constructor() {
    toObservable(this.#sought)
      .pipe(
        switchMap((find) => this.#find(find)),
        takeUntilDestroyed(),
      )
      .subscribe((found) => {
        const ids = new Set(found.map(({ id }) => id));
        this.#vehicles.update((known) => [...known.filter(({ id }) => !ids.has(id)), ...found]);
      });
    effect(() => {
      const known = this.#known();
      untracked(() => this.#recall(known));
    });
  }

  /** What is typed of the vehicle: the plate, or else the name. */
  readonly #sought = computed(() => {
    const { vehicle } = this.#typed();
    return (vehicle.plate.trim() || vehicle.name.trim()).slice(0, MAX_SOUGHT);
  });

  /** The newest vehicles at once; others by what is typed, when typing pauses. */
  #find(words: string): Observable<readonly VehicleView[]> {
    const shop = this.#shop();
    if (shop === null) return EMPTY;
    const asked = this.#api.listVehicles(shop, words === '' ? {} : { find: words }).pipe(
      map(({ rows }) => rows),
      catchError(() => of([])),
    );
    return words === '' ? asked : timer(PAUSE_MS).pipe(switchMap(() => asked));
  }

  /** Whatever earlier visits recorded is there again; what was typed stays. */
  #recall(known: VehicleView | null): void {
    this.visits.set([]);
    const shop = this.#shop();
    if (known === null || shop === null) return;
    const { vehicle, vin } = this.form.controls;
    const fill = (control: { value: string; setValue: (text: string) => void }, text: string): void => {
      if (control.value.trim() === '') control.setValue(text);
    };
    fill(vehicle.controls.name, known.name);
    fill(vehicle.controls.plate, known.plate ?? '');
    fill(vehicle.controls.year, known.year === null ? '' : String(known.year));
    fill(vin, known.vin ?? '');
    this.#api
      .listVisits(shop, known.id)
      .pipe(catchError(() => of([])))
      .subscribe((visits) => {
        if (this.#known()?.id !== known.id) return;
        this.visits.set(visits);
        const { system } = this.form.controls;
        const isBlank = JSON.stringify(system.getRawValue()) === JSON.stringify(BLANK_DRAFT);
        if (visits[0] && isBlank) system.setValue(draftOf(visits[0].system));
      });
  }

  /** What the battery's code tells is taken over; what it does not tell stays. */
  protected takeLabel(text: string): void {
    const { nominalVolts, capacityAh, rating, chemistry } = readBatteryLabel(text);
    this.form.controls.system.patchValue({
      ...(nominalVolts && { nominal: nominalVolts }),
      ...(capacityAh && { capacity: String(capacityAh) }),
      ...(rating && { rating: String(rating.value), standard: rating.standard }),
      ...(chemistry && { chemistry }),
    });
    this.labelProblem.set(
      rating || capacityAh || chemistry ? null : `The code holds “${text.slice(0, 60)}”: no rating in it.`,
    );
  }

  /** The shop's library; none while the server is away. */
  readonly #library = toSignal(
    toObservable(this.#shop).pipe(
      switchMap((shop) => (shop === null ? of([]) : this.#api.listMakerFigures(shop).pipe(catchError(() => of([]))))),
    ),
    { initialValue: [] },
  );
  /** What a maker says of such a vehicle, where anything of it is not filled in yet. */
  protected readonly offered = computed(() => {
    const { vehicle, system } = this.#typed();
    const record = namedLike(vehicle.name, this.#library());
    const patch = record && unfilled(system, record.system);
    if (!record || !patch || Object.keys(patch).length === 0) return null;
    return { ...record, patch, words: specifiedWords(record.system, this.#figures.format()).join(', ') };
  });
  protected takeOffered(patch: Partial<SystemDraft>): void {
    this.form.controls.system.patchValue(patch);
  }

  /** A job of this vehicle that is not closed: it is continued rather than begun a second time. */
  protected readonly openVisit = computed(() => this.visits().find(({ status }) => status === 'open') ?? null);

  protected submit(): void {
    const body = newJobOf(this.form, this.#figures.choice(), this.#known()?.id ?? null);
    if (body === null) return focusProblem(this.#host.ownerDocument.body);
    this.#dropDraft();
    this.#ahead.divert(); // what is typed from now on is for the bench
    this.opened.emit(body);
  }
  protected cancel(): void {
    this.#dropDraft();
    this.closed.emit();
  }
}

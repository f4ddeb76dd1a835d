import {
  ApplicationRef,
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { URGENCY_WORDS } from '@tetrad/contracts';
import type { RoundVehicle } from '@tetrad/contracts';
import { OBSERVATIONS } from '@tetrad/core';
import type { System } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { catchError, map, of } from 'rxjs';
import { Figures } from '../../device/figures';
import { InstrumentActions } from '../../instruments/instruments.feature';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import { Field } from '../../kit/field';
import { FocusFirst } from '../../kit/focus-first';
import { Fold } from '../../kit/fold';
import { TextValue } from '../../kit/forms/text-value';
import { GradeMark } from '../../kit/grade-mark';
import { Message } from '../../kit/message';
import { Segmented } from '../../kit/segmented';
import { Coming } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { ScanButton } from '../../label/scan-button';
import { SystemFields } from '../../label/system-fields';
import { queued } from '../../outbox/outbox-item';
import { OutboxActions } from '../../outbox/outbox.actions';
import type { CheckField } from '../../rounds/check-draft';
import { findVehicle } from '../../rounds/find-vehicle';
import { RoundList } from '../../rounds/round-list';
import { VehicleCheck } from '../../rounds/vehicle-check';
import type { Checked } from '../../rounds/vehicle-check';
import { Api } from '../../api/api';
import { newId } from '../../device/new-id';
import { selectShop, selectWho } from '../../state/session/session.feature';
import { RoundField } from './round-field';
import { RoundLook } from './round-look';

const UNKNOWN_SYSTEM: System = { nominalVolts: 12, battery: { chemistry: 'flooded' } };
const METHODS = [
  { value: 'watched' as const, label: 'Watched, steady' },
  { value: 'min-max' as const, label: 'Min/max' },
];
const NOTES = [
  { field: 'cranking', label: 'Cranking, V' },
  { field: 'charging', label: 'Charging, V' },
  { field: 'ripple', label: 'Ripple, V (610m, 0.03)' },
] as const satisfies readonly { readonly field: CheckField; readonly label: string }[];

/** Of the vehicles that are left so many are named. */
const MAX_NAMED = 8;

/**
 * Round mode: plate or VIN, four notes, two looks, next vehicle. Enter goes on from field to field and, from the last,
 * to the next vehicle; a scanner types a plate and Enter. It works without the network.
 */
@Component({
  selector: 'tt-round-check',
  imports: [
    Button,
    Check,
    Coming,
    Field,
    FocusFirst,
    Fold,
    GradeMark,
    InputText,
    Message,
    RoundField,
    RoundLook,
    RouterLink,
    ScanButton,
    Segmented,
    SystemFields,
    TextValue,
  ],
  providers: [VehicleCheck],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './round-check.html',
  styleUrl: './round-check.css',
  host: { '(keydown.enter)': 'next($event)' },
})
export class RoundCheckScreen {
  readonly #api = inject(Api);
  readonly #figures = inject(Figures);
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly #list = inject(RoundList);
  readonly #page = inject(ApplicationRef);
  readonly #store = inject(Store);
  readonly #toasts = inject(Toasts);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #who = this.#store.selectSignal(selectWho);
  protected readonly check = inject(VehicleCheck);
  /** The round's plan, from the address. */
  readonly plan = input.required<string>();

  protected readonly methods = METHODS;
  protected readonly notes = NOTES;
  protected readonly named = MAX_NAMED;
  protected readonly terminals = OBSERVATIONS.terminals;
  protected readonly belt = OBSERVATIONS.belt;
  readonly #asked = computed(() => {
    const shop = this.#shop();
    return shop === null ? undefined : { shop, plan: this.plan() };
  });
  protected readonly vehicles = rxResource({
    params: this.#asked,
    stream: ({ params: { shop, plan } }) => this.#list.vehicles(shop, plan),
  });
  readonly #plans = rxResource({
    params: this.#asked,
    stream: ({ params: { shop } }) => this.#list.plans(shop).pipe(catchError(() => of([]))),
  });
  protected readonly group = computed(
    () => (this.#plans.hasValue() && this.#plans.value().find(({ id }) => id === this.plan())?.group) || null,
  );
  readonly #rows = computed(() => (this.vehicles.hasValue() ? this.vehicles.value() : []));

  protected readonly code = signal('');
  protected readonly notFound = signal<string | null>(null);
  /** Vehicles that were checked here, with what came of it. */
  protected readonly done = signal<readonly { id: string; job: string; name: string; isSound: boolean }[]>([]);
  readonly #doneIds = computed(() => new Set(this.done().map(({ id }) => id)));
  protected readonly left = computed(() =>
    this.#rows().filter(({ vehicle: { id } }) => !this.#doneIds().has(id) && id !== this.check.vehicle()?.id),
  );
  protected readonly total = computed(() => this.#rows().length);
  protected readonly temperatureUnit = computed(() => (this.#figures.choice().temperature === 'F' ? '°F' : '°C'));
  protected readonly batteries = computed(() =>
    Array.from({ length: this.check.system().battery.count ?? 1 }, (_, at) => at),
  );
  protected readonly isCommanded = computed(() => this.check.system().alternator?.regulation === 'commanded');

  constructor() {
    this.#store.dispatch(InstrumentActions.load());
  }

  protected setNote(field: (typeof NOTES)[number]['field'], text: string): void {
    this.check.set({ [field]: text });
  }
  protected restingField(at: number): CheckField {
    return `resting-${at}`;
  }

  /** Takes the vehicle that was typed or scanned; one of another group is looked for on the server. */
  protected take(typed: string): void {
    const text = typed.trim();
    const shop = this.#shop();
    if (text === '' || shop === null) return;
    this.notFound.set(null);
    const known = findVehicle(this.#rows(), text);
    if (known) return this.begin(known);
    this.#api
      .listVehicles(shop, { find: text })
      .pipe(
        map(({ rows }) => rows),
        catchError(() => of([])),
      )
      .subscribe((found) => {
        const [one] = found;
        if (found.length === 1 && one) this.#begin({ ...one, system: UNKNOWN_SYSTEM, isNew: false });
        else this.notFound.set(text);
      });
  }
  protected takeNew(): void {
    const code = this.notFound();
    if (code === null) return;
    this.notFound.set(null);
    const vehicle = { id: newId(), name: code.slice(0, 80), plate: code.slice(0, 16) };
    this.#begin({ ...vehicle, system: UNKNOWN_SYSTEM, isNew: true });
  }
  protected begin({ vehicle, system }: RoundVehicle): void {
    this.#begin({ ...vehicle, system: system ?? UNKNOWN_SYSTEM, isNew: false });
  }
  protected leave(): void {
    this.check.vehicle.set(null);
    this.#focus('code');
  }
  #begin(vehicle: Checked): void {
    this.code.set('');
    this.#focus(this.check.begin(vehicle));
  }

  /** Enter goes on; from the last field it stores. */
  protected next(event: Event): void {
    const { target } = event;
    if (!(target instanceof HTMLInputElement) || (event as KeyboardEvent).repeat) return;
    event.preventDefault();
    if (target.dataset['field'] === 'code') return this.take(this.code());
    const stops = [...this.#host.querySelectorAll<HTMLElement>('.entry .fields input, .entry [data-look]')];
    const following = stops[stops.indexOf(target) + 1];
    if (following) following.focus();
    else this.store();
  }
  /** A look is chosen by its figure: the next field follows. */
  protected looked(about: 'terminals' | 'belt', finding: string): void {
    this.check.set({ [about]: finding });
    this.#focus(about === 'terminals' ? 'belt' : 'km');
  }

  protected store(): void {
    const [shop, vehicle] = [this.#shop(), this.check.vehicle()];
    const result = this.check.result(this.plan(), this.group());
    if (shop === null || !vehicle || result === null) return;
    if ('field' in result) return this.#focus(result.field);
    const { body, isSound } = result;
    const { id, name, plate } = vehicle;
    const job = newId();
    const item = queued({ kind: 'round-check', shop, job, body, by: this.#who() ?? '' });
    this.#store.dispatch(OutboxActions.queued({ item }));
    this.done.update((before) => [{ id, job, name, isSound }, ...before]);
    this.#toasts.say(`${plate ?? name}: ${isSound ? URGENCY_WORDS.sound.toLowerCase() : 'a job is open'}.`);
    this.leave();
  }

  /** At once, so that the next key of a quick hand is for that field. */
  #focus(name: string): void {
    this.#page.tick();
    this.#host.querySelector<HTMLElement>(`[data-field="${name}"], [data-look="${name}"]`)?.focus();
  }
}

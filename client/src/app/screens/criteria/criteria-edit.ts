import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import type { HttpErrorResponse } from '@angular/common/http';
import { rxResource } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { CondemnedShare, CriteriaView } from '@tetrad/contracts';
import { TESTS, reasonWords, whenWords } from '@tetrad/core';
import type { CriteriaDocument, Limit } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Sentences } from '../../device/sentences';
import { faultsOf, fieldsOf, idOfName, typedAt, understoodFigure, withValue } from '../../criteria/criteria-draft';
import type { LimitField } from '../../criteria/criteria-draft';

import { setFigures } from '../../criteria/set-figures';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import { Field } from '../../kit/field';
import { Figure } from '../../kit/forms/figure';
import { TextValue } from '../../kit/forms/text-value';
import { Message } from '../../kit/message';
import { Coming } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { selectMay, selectShop } from '../../state/session/session.feature';
import { LimitPicture } from './limit-picture';
import { RejudgePanel } from './rejudge-panel';

/** Figures that are edited together: those of a limit, or of the set. */
interface Group {
  /** Its place among the limits; null where it is none. */
  readonly at: number | null;
  readonly name: string;
  readonly when: string;
  readonly label: string;
  readonly fields: readonly LimitField[];
  readonly limit?: Limit;
  readonly reason?: string;
}

/** One set of the shop's own: its limits and costs with checks, past jobs judged again, versions that follow one another. */
@Component({
  selector: 'tt-criteria-edit',
  imports: [
    Button,
    Check,
    Coming,
    Field,
    Figure,
    InputText,
    LimitPicture,
    Message,
    RejudgePanel,
    RouterLink,
    TextValue,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './criteria-edit.html',
  styleUrl: './criteria-edit.css',
})
export class CriteriaEdit {
  readonly #api = inject(Api);
  readonly #router = inject(Router);
  readonly #sentences = inject(Sentences);
  readonly #store = inject(Store);
  readonly #toasts = inject(Toasts);
  readonly #shop = this.#store.selectSignal(selectShop);
  protected readonly may = this.#store.selectSignal(selectMay('edit-criteria'));
  /** The set, from the address: one that ships is copied. */
  readonly id = input.required<string>();
  /** What a file brought along. */
  readonly #brought = (this.#router.currentNavigation()?.extras.state?.['document'] ?? null) as CriteriaDocument | null;

  readonly #found = rxResource({
    params: () => {
      const shop = this.#shop();
      return shop === null ? undefined : { shop };
    },
    stream: ({ params: { shop } }) => this.#api.listCriteria(shop),
  });
  protected readonly failed = computed(() => this.#found.error() !== undefined);
  protected readonly reload = (): void => void this.#found.reload();
  /** Every version of this set, the newest first. */
  protected readonly versions = computed((): readonly CriteriaView[] =>
    (this.#found.hasValue() ? this.#found.value().sets : []).filter(({ document }) => document.id === this.id()),
  );
  protected readonly newest = computed(() => this.versions()[0] ?? null);
  readonly #takenIds = computed(
    () => new Set((this.#found.hasValue() ? this.#found.value().sets : []).map(({ document }) => document.id)),
  );
  /** What a version is made from: its own newest, a copy of one that ships, or a file. */
  protected readonly draft = linkedSignal<CriteriaDocument | null>(() => {
    const newest = this.newest();
    if (!this.#found.hasValue()) return null;
    if (this.#brought) {
      const isKnown = newest !== null && !newest.isShipped;
      return { ...this.#brought, version: isKnown ? newest.document.version + 1 : 1 };
    }
    if (!newest) return null;
    const { document, isShipped } = newest;
    if (!isShipped) return { ...document, version: document.version + 1 };
    const name = `${document.name}, ours`;
    return { ...document, id: idOfName(name), version: 1, name };
  });
  protected readonly isCopy = computed(() => this.newest()?.isShipped ?? true);
  /** Texts that are not understood, by the path of their field. */
  protected readonly unclear = signal<Readonly<Record<string, string>>>({});
  protected readonly typed = signal<Readonly<Record<string, string>>>({});
  /** The limit that is shown over temperature. */
  protected readonly pictured = signal<number | null>(null);
  protected readonly reason = signal('');
  protected readonly isMeant = signal(false);
  protected readonly condemns = signal<CondemnedShare | null>(null);
  protected readonly problem = signal<string | null>(null);
  /** The version that was saved last here: it can be judged by and put in force. */
  protected readonly saved = linkedSignal<CriteriaView | null>(() => {
    const newest = this.newest();
    return newest && !newest.isShipped ? newest : null;
  });

  readonly #faults = computed(() => {
    const draft = this.draft();
    return draft ? faultsOf(draft) : [];
  });
  protected readonly faults = computed(
    () => new Map(this.#faults().map(({ field, found, allowed }) => [field, `Found ${found}; allowed is ${allowed}.`])),
  );
  protected readonly isTaken = computed(() => this.isCopy() && this.#takenIds().has(this.draft()?.id ?? ''));
  protected readonly canSave = computed(
    () => this.#faults().length === 0 && Object.keys(this.unclear()).length === 0 && !this.isTaken(),
  );
  /** What stands in the way of saving: the first field that does not fit, with what it says. */
  protected readonly why = computed(() => {
    if (this.isTaken()) return 'There is a set of that name already.';
    const [path] = [...Object.keys(this.unclear()), ...this.faults().keys()];
    if (path === undefined) return '';
    const group = this.groups().find(({ at, fields }) =>
      at === null ? fields.some((field) => field.path === path) : path.startsWith(`limits[${at}]`),
    );
    const name = group?.at === null ? group.fields.find((field) => field.path === path)?.name : group?.name;
    return [name, this.faultAt(path)].filter(Boolean).join(': ');
  });
  protected readonly groups = computed((): readonly Group[] => {
    const draft = this.draft();
    if (!draft) return [];
    const voice = this.#sentences.voice();
    const limits = draft.limits.map((limit, at): Group => {
      const [name, when, fields] = [TESTS[limit.test].name, whenWords(limit), fieldsOf(limit, at)];
      const reason = reasonWords(limit, (message) => voice.say(message));
      // a test can have two limits: the first figure tells them apart
      const label = [name, when, fields[0]?.name].filter(Boolean).join(', ');
      return { at, name, when, label, fields, limit, reason };
    });
    const others = setFigures(draft).map(({ name, fields }): Group => ({
      at: null,
      name,
      when: '',
      label: name,
      fields,
    }));
    return [...limits, ...others];
  });
  constructor() {
    inject(DestroyRef).onDestroy(() => this.draft.set(null));
  }

  protected shown(field: LimitField): string {
    const typed = this.typed()[field.path];
    const draft = this.draft();
    return typed ?? (draft ? typedAt(draft, field) : '');
  }
  /** What does not fit at a field: a text that means nothing, or a figure that cannot be. */
  protected faultAt(path: string): string | null {
    return (
      this.unclear()[path] ?? this.faults().get(path) ?? this.faults().get(path.replace(/\.rule\..*$/, '')) ?? null
    );
  }
  protected type(field: LimitField, text: string): void {
    const { path } = field;
    this.typed.update((before) => ({ ...before, [path]: text }));
    const value = understoodFigure(text, field);
    this.condemns.set(null);
    this.unclear.update(({ [path]: _before, ...others }) =>
      typeof value === 'string' ? { ...others, [path]: value } : others,
    );
    if (typeof value !== 'string') this.set(path, value);
  }
  protected set(path: string, value: unknown): void {
    this.draft.update((draft) => draft && withValue(draft, path, value));
  }
  protected rename(name: string): void {
    this.set('name', name);
    if (this.isCopy()) this.set('id', idOfName(name) || 'own');
  }

  protected check(): void {
    const [shop, document] = [this.#shop(), this.draft()];
    if (shop === null || !document) return;
    this.problem.set(null);
    this.#api.checkCriteria(shop, { document }).subscribe({
      next: ({ condemns }) => this.condemns.set(condemns),
      error: this.#refused,
    });
  }
  protected save(): void {
    const [shop, document] = [this.#shop(), this.draft()];
    if (shop === null || !document || !this.canSave()) return;
    this.problem.set(null);
    const reason = this.reason().trim();
    const follows = document.version - 1;
    const body = { document, follows, ...(reason && { reason }), ...(this.isMeant() && { isMeant: true }) };
    this.#api.saveCriteria(shop, body).subscribe({
      next: (view) => {
        this.#toasts.say(`${document.name}, version ${document.version}, is saved. It is not in force yet.`);
        this.typed.set({});
        this.reason.set('');
        this.isMeant.set(false);
        this.condemns.set(null);
        if (document.id !== this.id()) void this.#router.navigate(['/criteria', document.id]);
        this.#found.reload();
        this.saved.set(view);
      },
      error: this.#refused,
    });
  }
  protected putInForce(): void {
    const [shop, view] = [this.#shop(), this.saved()];
    if (shop === null || !view) return;
    const { id, version, name } = view.document;
    this.#api.putCriteriaInForce(shop, id, version).subscribe({
      next: () => {
        this.#toasts.say(`${name}, version ${version}, is in force.`);
        this.#found.reload();
      },
      error: this.#refused,
    });
  }

  readonly #refused = (failure: HttpErrorResponse): void => {
    const { detail, errors } = problemOf(failure);
    const [first] = errors ?? [];
    this.problem.set(first ? `${first.field}: found ${first.found}; allowed is ${first.allowed}` : detail);
  };
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { CriteriaView } from '@tetrad/contracts';
import {
  CRITERIA_FORMAT,
  TESTS,
  TEST_NAMES,
  criteriaMisfits,
  limitKey,
  limitWords,
  misfitWords,
  reasonWords,
  temperatureWords,
  whenWords,
} from '@tetrad/core';
import type { CriteriaDocument, FigureFormat, Limit } from '@tetrad/core';
import { Figures } from '../../device/figures';
import { Sentences } from '../../device/sentences';
import { valueAt } from '../../criteria/criteria-draft';

import { setFigureWords, setFigures } from '../../criteria/set-figures';
import { Button } from '../../kit/button';
import { CheckList } from '../../kit/check-list';
import { CsvFiles } from '../../kit/csv-files';
import { FileButton } from '../../kit/file-button';
import { Message } from '../../kit/message';
import { saveText } from '../../kit/save-file';
import { Select } from '../../kit/select';
import { Coming } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { Api } from '../../api/api';
import { selectMay, selectShop } from '../../state/session/session.feature';

interface Row {
  readonly key: string;
  readonly test: string;
  readonly when: string;
  readonly limits: readonly (string | null)[];
  readonly details: readonly { readonly name: string; readonly source: string; readonly reason: string }[];
  readonly differs: boolean;
}

/** The figures that are no limits; a set without one of them has none to show. */
function setRows(sets: readonly CriteriaDocument[], format: FigureFormat): readonly Row[] {
  const known = new Map(
    sets.flatMap((set) =>
      setFigures(set).flatMap(({ name, fields }) => fields.map((one) => [one.path, { ...one, when: name }] as const)),
    ),
  );
  return [...known.values()].map(({ path, name, unit, why, when }) => {
    const limits = sets.map((set) => {
      const value = valueAt(set, path);
      return typeof value === 'number' ? setFigureWords(value, unit, format) : null;
    });
    const details = !why ? [] : [{ name, source: '', reason: why }];
    return { key: path, test: name, when, limits, details, differs: new Set(limits).size > 1 };
  });
}

/** The criteria sets side by side: each limit with its conditions, source and reason. */
@Component({
  selector: 'tt-criteria-list',
  imports: [Button, CheckList, Coming, FileButton, Message, RouterLink, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kit-bar">
      <h1>Limit sets</h1>
      <a pButton kind="bare" routerLink="/maker-figures">Maker’s figures</a>
      <button pButton kind="bare" [disabled]="shown().length === 0" (click)="exportCsv()">Export CSV</button>
      @if (may()) {
        <tt-file-button label="Import a set" accept=".json,application/json" kind="bare" (chosen)="bring($event)" />
      }
    </div>
    @if (refused(); as why) {
      <tt-message>{{ why }} <button pButton kind="bare" (click)="refused.set(null)">Close</button></tt-message>
    }
    @if (found.error()) {
      <tt-message>
        The limit sets could not be loaded. <button pButton (click)="found.reload()">Try again</button>
      </tt-message>
    } @else if (current().length === 0) {
      <tt-coming says="Loading the limit sets …" />
    } @else {
      <div class="choice">
        <tt-check-list label="Side by side" [options]="names()" [value]="chosen()" (valueChange)="picked.set($event)" />
        @if (may()) {
          <tt-select
            label="New jobs begin with"
            [options]="names()"
            [value]="usual()"
            (valueChange)="choose($event!)"
          />
        }
      </div>
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Limit</th>
              @for (set of shown(); track set.document.id) {
                <th scope="col">
                  <strong>{{ set.document.name }}</strong>
                  <span class="soft">{{ set.isShipped ? 'built in' : 'version ' + set.document.version }}</span>
                  <span class="does">
                    @if (may()) {
                      <a pButton kind="link" [routerLink]="['/criteria', set.document.id]">
                        {{ set.isShipped ? 'Copy' : 'Edit' }}
                      </a>
                    }
                    <button pButton kind="link" (click)="exportSet(set)">JSON</button>
                  </span>
                </th>
              }
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.key) {
              <tr [class.differs]="row.differs">
                <th scope="row">
                  <button
                    pButton
                    kind="link"
                    [attr.aria-expanded]="open() === row.key"
                    (click)="open.set(open() === row.key ? null : row.key)"
                  >
                    {{ row.test }}
                  </button>
                  <span class="soft">{{ row.when }}</span>
                </th>
                @for (limit of row.limits; track $index) {
                  <td>{{ limit ?? '–' }}</td>
                }
              </tr>
              @if (open() === row.key) {
                <tr class="reason">
                  <td [attr.colspan]="shown().length + 1">
                    @for (detail of row.details; track detail.name) {
                      <p>
                        <strong>{{ detail.name }}:</strong> {{ detail.reason }}
                        <span class="soft">{{ detail.source }}</span>
                      </p>
                    }
                  </td>
                </tr>
              }
            }
          </tbody>
        </table>
      </div>
    }
  `,
  styles: `
    .choice {
      display: flex;
      flex-wrap: wrap;
      align-items: start;
      gap: 8px 24px;
      padding: 8px 16px;
    }
    .choice tt-check-list {
      flex: 1 1 560px;
    }
    .choice tt-select {
      flex: 0 1 260px;
    }
    .scroll {
      overflow-x: auto;
      padding: 0 16px 32px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 8px 16px 8px 0;
      border-bottom: 1px solid var(--line-soft);
      text-align: left;
      vertical-align: top;
      min-width: 150px;
    }
    th[scope='row'] {
      min-width: 220px;
      font-weight: 400;
    }
    thead th span,
    th[scope='row'] .soft {
      display: block;
      font-weight: 400;
      font-size: var(--text-sm);
    }
    .does {
      display: flex !important;
      gap: 16px;
    }
    td {
      font-variant-numeric: tabular-nums;
    }
    .differs td {
      font-weight: 600;
    }
    .reason p {
      margin: 0 0 4px;
      max-width: 90ch;
    }
  `,
})
export class CriteriaList {
  readonly #api = inject(Api);
  readonly #csv = inject(CsvFiles);
  readonly #router = inject(Router);
  readonly #figures = inject(Figures);
  readonly #sentences = inject(Sentences);
  readonly #store = inject(Store);
  readonly #toasts = inject(Toasts);
  readonly #shop = this.#store.selectSignal(selectShop);
  protected readonly may = this.#store.selectSignal(selectMay('edit-criteria'));
  protected readonly refused = signal<string | null>(null);
  /** The row whose reasons are shown. */
  protected readonly open = signal<string | null>(null);
  protected readonly found = rxResource({
    params: () => {
      const shop = this.#shop();
      return shop === null ? undefined : { shop };
    },
    stream: ({ params: { shop } }) => this.#api.listCriteria(shop),
  });
  protected readonly usual = computed(() => (this.found.hasValue() ? this.found.value().usual : 'balanced'));
  /** Of each set the version in force, or the newest where none is. */
  protected readonly current = computed((): readonly CriteriaView[] => {
    const sets = this.found.hasValue() ? this.found.value().sets : [];
    const ids = [...new Set(sets.map(({ document }) => document.id))];
    return ids.map((id) => {
      const versions = sets.filter(({ document }) => document.id === id);
      return versions.find(({ isInForce }) => isInForce) ?? versions[0]!;
    });
  });
  protected readonly names = computed(() =>
    this.current().map(({ document: { id, name } }) => ({ value: id, label: name })),
  );
  protected readonly picked = signal<readonly string[] | null>(null);
  protected readonly chosen = computed(() => this.picked() ?? this.names().map(({ value }) => value));
  protected readonly shown = computed(() => {
    const chosen = new Set(this.chosen());
    return this.current().filter(({ document }) => chosen.has(document.id));
  });
  protected readonly rows = computed((): readonly Row[] => {
    const format = this.#figures.format();
    const voice = this.#sentences.voice();
    const sets = this.shown().map(({ document }) => ({
      name: document.name,
      limits: new Map(document.limits.map((limit) => [limitKey(limit), limit] as const)),
    }));
    const known = new Map<string, Limit>();
    for (const { limits } of sets) for (const [key, limit] of limits) if (!known.has(key)) known.set(key, limit);
    const order = (limit: Limit): number => TEST_NAMES.indexOf(limit.test);
    const general = setRows(
      this.shown().map(({ document }) => document),
      format,
    );
    const own = [...known]
      .sort(([, a], [, b]) => order(a) - order(b))
      .map(([key, first]) => {
        const limits = sets.map(({ limits: own }) => {
          const limit = own.get(key);
          return limit ? limitWords(limit, format) : null;
        });
        const details = sets.flatMap(({ name, limits: own }) => {
          const limit = own.get(key);
          if (!limit) return [];
          const why = reasonWords(limit, (message) => voice.say(message));
          return [{ name, source: limit.source, reason: `${why} ${temperatureWords(limit.temperature)}` }];
        });
        const differs = new Set(limits).size > 1;
        return { key, test: TESTS[first.test].name, when: whenWords(first), limits, details, differs };
      });
    return [...own, ...general];
  });

  protected choose(id: string): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.#api.chooseCriteria(shop, { id }).subscribe({
      next: () => this.found.reload(),
      error: () => this.#toasts.say('It was not chosen: the server does not answer, or the set is not in force.'),
    });
  }
  protected exportSet({ document }: CriteriaView): void {
    saveText(
      `criteria-${document.id}-${document.version}.json`,
      'application/json',
      `${JSON.stringify(document, null, 2)}\n`,
    );
  }
  protected exportCsv(): void {
    const names = this.shown().map(({ document }) => document.name);
    const table = this.rows().map(({ test, when, limits }) => ({
      limit: test,
      where: when,
      ...Object.fromEntries(names.map((name, at) => [name, limits[at] ?? ''])),
    }));
    void this.#csv.save('criteria', table);
  }
  /** A set from a file is looked at, and saved, where sets are edited. */
  protected async bring(file: File): Promise<void> {
    let document: unknown;
    try {
      document = JSON.parse(await file.text());
    } catch {
      return this.refused.set(`${file.name} is not JSON.`);
    }
    const [first] = criteriaMisfits(document);
    if (first) {
      const { path, found, allowed } = misfitWords(first);
      return this.refused.set(
        `${file.name}: ${path}: found ${found}; allowed is ${allowed}. The format is ${CRITERIA_FORMAT}.`,
      );
    }
    const { id } = document as CriteriaDocument;
    await this.#router.navigate(['/criteria', id], { state: { document } });
  }
}

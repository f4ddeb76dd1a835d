import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { rxResource, takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import type { OutcomeJobView } from '@tetrad/contracts';
import { TESTS, decisionWords } from '@tetrad/core';
import { MIN_CALIBRATED } from '@tetrad/core/outcomes';
import type { OutcomeCount, ShortDecision } from '@tetrad/core/outcomes';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { Message } from '../../kit/message';
import { Segmented } from '../../kit/segmented';
import { Coming, Empty } from '../../kit/states';
import { OutboxActions } from '../../outbox/outbox.actions';
import { OutcomeDialog } from '../../outcomes/outcome-dialog';
import { outcomeWords } from '../../outcomes/outcome-words';
import { Api } from '../../api/api';
import { selectShop } from '../../state/session/session.feature';
import { CalibrationChart } from './calibration-chart';
import { VerdictChart } from './verdict-chart';
import { WrongReadings } from './wrong-readings';

const DAY_MS = 86_400_000;
const PERIODS = [
  { value: '90', label: '90 days' },
  { value: '365', label: '1 year' },
  { value: '1096', label: '3 years' },
] as const;
const MINUTES_PER_HOUR = 60;

/** What became of the jobs that were signed off: by verdict, what was saved, where Tetrad was wrong, how sure it may be. */
@Component({
  selector: 'tt-outcomes',
  imports: [
    ...[Button, CalibrationChart, Coming, DatePipe, Empty, Message, OutcomeDialog, RouterLink, Segmented],
    ...[VerdictChart, WrongReadings],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './outcomes.html',
  styleUrl: './outcomes.css',
})
export class Outcomes {
  readonly #api = inject(Api);
  readonly #router = inject(Router);
  readonly #csv = inject(CsvFiles);
  readonly #figures = inject(Figures);
  protected readonly shop = inject(Store).selectSignal(selectShop);

  /** How many days back, from the address. */
  readonly days = input<string>();
  protected readonly periods = PERIODS;
  protected readonly period = computed(() => PERIODS.find(({ value }) => value === this.days())?.value ?? '365');
  protected readonly least = MIN_CALIBRATED;

  protected readonly found = rxResource({
    params: () => {
      const shop = this.shop();
      if (shop === null) return undefined;
      const day = (ago: number): string => new Date(Date.now() - ago * DAY_MS).toISOString().slice(0, 10);
      return { shop, from: day(Number(this.period())), to: day(0) };
    },
    stream: ({ params: { shop, ...between } }) => this.#api.getOutcomes(shop, between),
  });
  protected readonly view = computed(() => (this.found.hasValue() ? this.found.value() : null));
  protected readonly recording = signal<OutcomeJobView | null>(null);
  /** The wrong verdict whose readings are shown. */
  protected readonly shown = signal<string | null>(null);

  protected readonly verdicts = computed(() =>
    (this.view()?.verdicts ?? []).map(({ judged, followed, differed }) => ({
      name: this.words(judged),
      followed,
      differed,
      count: sumOf(followed, differed),
    })),
  );
  protected readonly saved = computed(() => {
    const { plain } = this.#figures.format();
    return (this.view()?.saved ?? []).map(({ part, jobs, minutes, tests }) => ({
      part,
      jobs,
      hours: plain(minutes / MINUTES_PER_HOUR, minutes < 10 * MINUTES_PER_HOUR ? 1 : 0),
      tests: tests
        .slice(0, 3)
        .map((test) => TESTS[test].name)
        .join(', '),
    }));
  });

  constructor() {
    // what was recorded here counts once the server has it
    inject(Actions)
      .pipe(ofType(OutboxActions.stored), takeUntilDestroyed())
      .subscribe(() => this.found.reload());
  }
  protected goneShare({ gone, back }: OutcomeCount): string {
    return gone + back === 0 ? '–' : `${gone} of ${gone + back}`;
  }
  protected words(decision: ShortDecision | null): string {
    return decision === null ? 'Nothing yet' : decisionWords({ ...decision, fault: null }, this.#figures.format());
  }
  protected readonly outcome = outcomeWords;
  protected saidWith(probability: number): string {
    return this.#figures.format().probability(probability);
  }

  protected choose(days: string): void {
    void this.#router.navigate([], { queryParams: { days }, replaceUrl: true });
  }
  protected exportCsv(): void {
    const view = this.view();
    if (!view) return;
    void this.#csv.save(
      `outcomes-${view.from}-${view.to}`,
      view.verdicts.flatMap(({ judged, followed, differed }) =>
        Object.entries({ followed, differed }).map(([technician, { jobs, gone, back, unknown }]) => ({
          ...{ from: view.from, to: view.to, verdict: this.words(judged), technician },
          ...{ jobs, gone, back, 'not recorded': unknown },
        })),
      ),
    );
  }
  protected exportWrong(): void {
    const view = this.view();
    if (!view) return;
    void this.#csv.save(
      `wrong-verdicts-${view.from}-${view.to}`,
      view.wrong.map(({ job, vehicle, signedAt, signedBy, judged, signed, probability, complaint, cause, note }) => ({
        ...{ job, vehicle: vehicle.name, plate: vehicle.plate ?? '', 'signed off': signedAt, by: signedBy },
        ...{ said: this.words(judged), with: probability ?? '', done: this.words(signed) },
        ...{ complaint: complaint ?? '', 'at fault': cause ?? '', note: note ?? '' },
      })),
    );
  }
}

const sumOf = (a: OutcomeCount, b: OutcomeCount): OutcomeCount => ({
  jobs: a.jobs + b.jobs,
  gone: a.gone + b.gone,
  back: a.back + b.back,
  unknown: a.unknown + b.unknown,
});

import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { criteriaOfJob } from '@tetrad/contracts';
import { TESTS, readingWords, survey } from '@tetrad/core';
import { Sentences } from '../../device/sentences';
import { GradeMark } from '../../kit/grade-mark';
import { Message } from '../../kit/message';
import { Api } from '../../api/api';
import { selectShop } from '../../state/session/session.feature';

/** The readings of one job with their grades. */
@Component({
  selector: 'tt-wrong-readings',
  imports: [GradeMark, Message],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (view.error()) {
      <tt-message>The readings could not be loaded.</tt-message>
    } @else {
      <ul aria-label="Readings">
        @for (row of rows(); track row.id) {
          <li>
            <span>{{ row.name }}</span> <span class="figure">{{ row.words }}</span> <tt-grade [grade]="row.grade" />
          </li>
        } @empty {
          <li>{{ view.isLoading() ? 'Loading …' : 'Nothing was read.' }}</li>
        }
      </ul>
    }
  `,
  styles: `
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
      columns: 22rem;
      column-gap: 32px;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto 1.2em;
      gap: 8px;
      align-items: center;
      break-inside: avoid;
    }
  `,
})
export class WrongReadings {
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly #voice = inject(Sentences).voice;
  readonly job = input.required<string>();
  protected readonly view = rxResource({
    params: () => {
      const shop = this.#shop();
      return shop === null ? undefined : { shop, job: this.job() };
    },
    stream: ({ params: { shop, job } }) => this.#api.getJob(shop, job),
  });
  protected readonly rows = computed(() => {
    if (!this.view.hasValue()) return [];
    const view = this.view.value();
    return survey(view.case, criteriaOfJob(view)).assessments.map(({ id, reading, grade }) => ({
      id,
      grade,
      name: TESTS[reading.test].name,
      words: readingWords(reading, this.#voice()),
    }));
  });
}

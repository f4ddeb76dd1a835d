import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { OBSERVATIONS, TESTS } from '@tetrad/core';
import { Sentences } from '../../device/sentences';
import { GradeMark } from '../../kit/grade-mark';
import { PracticeVisit } from '../../practice/practice-visit';

/** Readings and observations of the visit so far. */
@Component({
  selector: 'tt-written-down',
  imports: [GradeMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Written down</h2>
    @for (reading of readings(); track reading.id) {
      <div class="reading">
        <span>{{ reading.name }}</span>
        <span class="figure">{{ reading.value }}</span>
        @if (graded()) {
          <tt-grade [grade]="reading.grade" [labelled]="true" />
          @if (reading.grade !== 'within') {
            <p class="soft because">{{ reading.because }}</p>
          }
        }
      </div>
    } @empty {
      <p class="soft">Nothing yet. Put red on the battery’s + post and black on its − post.</p>
    }
    @for (one of seen(); track $index) {
      <div class="reading">
        <span>{{ one.about }}</span> <span>{{ one.finding }}</span>
      </div>
    }
  `,
  styles: `
    h2,
    p {
      margin: 0;
    }
    h2 {
      font-size: var(--text-s);
    }
    .reading {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 2px 12px;
      padding: 4px 0;
      border-bottom: 1px solid var(--line-soft);
    }
    .because {
      grid-column: 1 / -1;
    }
  `,
})
export class WrittenDown {
  readonly #visit = inject(PracticeVisit).visit;
  readonly #voice = inject(Sentences).voice;
  /** With help each reading is graded as it is written. */
  readonly graded = input.required<boolean>();

  protected readonly readings = computed(() => {
    const voice = this.#voice();
    return [...(this.#visit()?.readings ?? [])].reverse().map(({ id, test, battery, value, graded }) => ({
      id,
      name: battery === null ? TESTS[test].name : `${TESTS[test].name}, battery ${battery}`,
      value:
        value === null ? 'not possible' : typeof value === 'object' ? 'each cell' : voice.value(test, value as number),
      grade: graded.grade,
      because: graded.because,
    }));
  });
  protected readonly seen = computed(() =>
    (this.#visit()?.observations ?? []).map(({ about, finding }) => ({
      about: OBSERVATIONS[about].asks,
      finding: finding.replaceAll('-', ' '),
    })),
  );
}

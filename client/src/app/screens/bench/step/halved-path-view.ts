import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { PIECES, TESTS, halvePath, solvePaths } from '@tetrad/core';
import type { PathPart, GradedCase, TestName } from '@tetrad/core';
import { Button } from '../../../kit/button';
import { Figures } from '../../../device/figures';

/** A failing path taken apart: what each piece lost, and the half to measure next. */
@Component({
  selector: 'tt-halved-path',
  imports: [Button],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (path(); as found) {
      <h2>Narrow it down</h2>
      <table>
        <tbody>
          @for (piece of found.parts; track piece.test) {
            <tr>
              <th scope="row">{{ nameOf(piece) }}</th>
              <td class="figure">{{ volts(piece) }}</td>
              <td class="figure soft">{{ ohms(piece) }}</td>
            </tr>
          }
          <tr>
            <th scope="row">{{ found.next ? 'Not explained yet' : nameOf(found.rest) }}</th>
            <td class="figure">{{ volts(found.rest) }}</td>
            <td class="figure soft">{{ ohms(found.rest) }}</td>
          </tr>
        </tbody>
      </table>
      @if (found.next; as next) {
        <button pButton (click)="chosen.emit(next)">Measure: {{ names[next].name }}</button>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 4px;
      justify-items: start;
    }
    table {
      border-collapse: collapse;
      width: 100%;
      font-size: var(--text-md);
    }
    th {
      text-align: left;
      font-weight: 400;
    }
    td {
      text-align: right;
      padding-left: 16px;
      white-space: nowrap;
    }
    tr {
      border-top: 1px solid var(--line-soft);
      height: 28px;
    }
  `,
})
export class HalvedPathView {
  readonly #figures = inject(Figures);
  readonly gradedCase = input.required<GradedCase>();
  readonly test = input.required<TestName>();
  readonly chosen = output<TestName>();

  protected readonly names = TESTS;
  protected readonly path = computed(() => halvePath(solvePaths(this.gradedCase()), this.test()));
  protected readonly nameOf = ({ test, pieces }: PathPart): string =>
    test ? TESTS[test].name : pieces.map((piece) => PIECES[piece].name).join(', ');
  protected readonly volts = ({ volts }: PathPart): string =>
    volts === null ? 'not measured' : this.#figures.format().smallVolts(volts);
  protected readonly ohms = ({ ohms }: PathPart): string => (ohms === null ? '' : this.#figures.format().ohms(ohms));
}

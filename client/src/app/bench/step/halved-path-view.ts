import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { TESTS, formatQuantity, formatSmallVolts, halvePath } from '@tetrad/core';
import type { Case, PathPiece, TestName } from '@tetrad/core';

/** A failing path taken apart: what each piece lost, and the half to measure next. */
@Component({
  selector: 'tt-halved-path',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (path(); as found) {
      <h2>Halve it</h2>
      <table>
        <tbody>
          @for (piece of found.pieces; track piece.name) {
            <tr>
              <th scope="row">{{ piece.name }}</th>
              <td class="figure">{{ volts(piece) }}</td>
              <td class="figure soft">{{ ohms(piece) }}</td>
            </tr>
          }
          <tr>
            <th scope="row">{{ found.next ? 'Not explained yet' : found.rest.name }}</th>
            <td class="figure">{{ volts(found.rest) }}</td>
            <td class="figure soft">{{ ohms(found.rest) }}</td>
          </tr>
        </tbody>
      </table>
      @if (found.next; as next) {
        <button type="button" class="btn" (click)="chosen.emit(next)">Measure: {{ names[next].name }}</button>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      justify-items: start;
      margin-top: 16px;
    }
    table {
      border-collapse: collapse;
      width: 100%;
      font-size: 0.9375rem;
    }
    th {
      text-align: left;
      font-weight: 400;
    }
    td {
      text-align: right;
      padding-left: 16px;
    }
    tr {
      border-top: 1px solid var(--line-soft);
      height: 32px;
    }
  `,
})
export class HalvedPathView {
  readonly subject = input.required<Case>();
  readonly test = input.required<TestName>();
  readonly chosen = output<TestName>();

  protected readonly names = TESTS;
  protected readonly path = computed(() => halvePath(this.subject(), this.test()));
  protected readonly volts = (piece: PathPiece): string =>
    piece.volts === null ? 'not measured' : formatSmallVolts(piece.volts);
  protected readonly ohms = (piece: PathPiece): string =>
    piece.ohms === null ? '' : formatQuantity(piece.ohms, 'ohm');
}

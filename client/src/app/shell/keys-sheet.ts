import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { Dialog } from 'primeng/dialog';

const KEYS = [
  [
    'Anywhere',
    [
      ['?', 'this sheet'],
      ['Alt F', 'the floor'],
      ['Alt T', 'light or dark'],
    ],
  ],
  [
    'Floor',
    [
      ['N', 'new job'],
      ['/', 'filter'],
      ['↑ ↓', 'choose a job'],
      ['Enter', 'open it'],
    ],
  ],
  [
    'Bench',
    [
      ['Enter', 'save the reading; empty: on to the next step'],
      ['↑ ↓', 'another step'],
      ['Alt Z', 'undo the last reading'],
      ['Alt N', 'what the judge asks for next'],
      ['Alt A', 'the caution is understood'],
      ['Alt H', 'all conditions of the step hold'],
      ['Alt C', 'count down a crank'],
      ['Alt W', 'the phone at the wheel'],
      ['Alt S', 'sign off'],
      ['Alt P', 'the report'],
      ['Tab', 'conditions of the reading'],
    ],
  ],
  [
    'Entries',
    [
      ['12.61 or 12,61', 'volts'],
      ['610m', 'thousandths'],
      ['230 mV', 'with its unit'],
      ['70 °F', 'as °C'],
    ],
  ],
] as const;

/** Every key there is. */
@Component({
  selector: 'tt-keys-sheet',
  imports: [Dialog],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p-dialog
      header="Keys"
      [visible]="true"
      (visibleChange)="closed.emit()"
      [modal]="true"
      closeAriaLabel="Close"
      [draggable]="false"
      [resizable]="false"
      [dismissableMask]="true"
    >
      <div class="groups">
        @for (group of groups; track group[0]) {
          <section>
            <h2>{{ group[0] }}</h2>
            <dl>
              @for (key of group[1]; track key[0]) {
                <dt class="figure">{{ key[0] }}</dt>
                <dd>{{ key[1] }}</dd>
              }
            </dl>
          </section>
        }
      </div>
    </p-dialog>
  `,
  styles: `
    .groups {
      display: grid;
      gap: 16px 40px;
      grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
      max-width: 680px;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 6px 16px;
      margin: 8px 0 0;
    }
    dt {
      font-weight: 500;
    }
    dd {
      margin: 0;
    }
  `,
})
export class KeysSheet {
  readonly closed = output();
  protected readonly groups = KEYS;
}

import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { FigureChoice } from '@tetrad/core';
import { Dialog } from 'primeng/dialog';
import { SelectButton } from 'primeng/selectbutton';
import { Figures } from '../state/figures';

interface Choice {
  readonly field: keyof FigureChoice;
  readonly label: string;
  readonly options: { value: string; label: string }[];
}

const CHOICES: readonly Choice[] = [
  {
    field: 'decimal',
    label: 'Decimal mark',
    options: [
      { value: 'point', label: '12.61' },
      { value: 'comma', label: '12,61' },
    ],
  },
  {
    field: 'temperature',
    label: 'Temperature',
    options: [
      { value: 'C', label: '°C' },
      { value: 'F', label: '°F' },
    ],
  },
  {
    field: 'smallVolts',
    label: 'Drops and ripple under half a volt',
    options: [
      { value: 'mV', label: 'mV' },
      { value: 'V', label: 'V' },
    ],
  },
];

/** How figures are written on this device: bench, floor, report and PDF follow; files keep plain SI. */
@Component({
  selector: 'tt-settings-dialog',
  imports: [Dialog, FormsModule, SelectButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p-dialog
      header="Figures on this device"
      [visible]="true"
      (visibleChange)="closed.emit()"
      [modal]="true"
      closeAriaLabel="Close"
      [draggable]="false"
      [resizable]="false"
      [dismissableMask]="true"
    >
      <dl>
        @for (choice of choices; track choice.field) {
          <div>
            <dt [id]="choice.field">{{ choice.label }}</dt>
            <dd>
              <p-selectbutton
                [options]="choice.options"
                optionLabel="label"
                optionValue="value"
                [allowEmpty]="false"
                [ariaLabelledBy]="choice.field"
                [ngModel]="figures.choice()[choice.field]"
                (ngModelChange)="choose(choice.field, $event)"
              />
            </dd>
          </div>
        }
      </dl>
      <p class="figure sample">{{ sample() }}</p>
    </p-dialog>
  `,
  styles: `
    dl {
      display: grid;
      gap: 16px;
      margin: 0;
    }
    dl div {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 32px;
      align-items: center;
      justify-content: space-between;
    }
    dd {
      margin: 0;
    }
    .sample {
      margin: 24px 0 0;
      font-size: 1.25rem;
    }
  `,
})
export class SettingsDialog {
  protected readonly figures = inject(Figures);
  readonly closed = output();
  protected readonly choices = CHOICES;
  protected readonly sample = computed(() => {
    const { volts, smallVolts, celsius } = this.figures.voice();
    return [volts(12.61), smallVolts(0.23), celsius(12)].join('   ');
  });

  protected choose(field: keyof FigureChoice, value: string): void {
    this.figures.set({ [field]: value });
  }
}

import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ProgressBar } from 'primeng/progressbar';

/** Long work: how far it is, and what it is at. */
@Component({
  selector: 'tt-progress',
  imports: [ProgressBar],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="says" aria-live="polite">{{ says() }}</p>
    <p-progressbar
      [mode]="share() === null ? 'indeterminate' : 'determinate'"
      [value]="(share() ?? 0) * 100"
      [showValue]="false"
      [attr.aria-label]="says()"
    />
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
  `,
})
export class Progress {
  readonly says = input.required<string>();
  /** 0 to 1; null where nobody knows. */
  readonly share = input<number | null>(null);
}

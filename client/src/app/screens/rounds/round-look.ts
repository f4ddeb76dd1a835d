import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from '../../kit/button';

/** What was seen: each finding by its figure key, or a press. One stop of the Tab key. */
@Component({
  selector: 'tt-round-look',
  imports: [Button],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="kit-label" [id]="about() + '-label'">{{ label() }}</span>
    <div
      role="radiogroup"
      tabindex="0"
      [attr.data-look]="about()"
      [attr.aria-labelledby]="about() + '-label'"
      (keydown)="key($event)"
    >
      @for (one of shown(); track one.finding) {
        <button
          pButton
          type="button"
          role="radio"
          tabindex="-1"
          [attr.aria-checked]="one.finding === value()"
          [class.chosen]="one.finding === value()"
          (click)="chosen.emit(one.finding)"
        >
          <kbd>{{ one.key }}</kbd> {{ one.words }}
        </button>
      }
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 4px;
    }
    div {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .chosen {
      border: 2px solid var(--copper);
      background: var(--copper-wash);
    }
    kbd {
      margin-right: 4px;
      font-family: var(--mono);
      color: var(--ink-soft);
    }
  `,
})
export class RoundLook {
  readonly about = input.required<string>();
  readonly label = input.required<string>();
  readonly findings = input.required<readonly string[]>();
  readonly value = input.required<string | null>();
  readonly chosen = output<string>();
  protected readonly shown = computed(() =>
    this.findings().map((finding, at) => ({ finding, key: String(at + 1), words: wordsOf(finding) })),
  );

  protected key(event: KeyboardEvent): void {
    const at = event.key === 'Enter' ? 0 : Number(event.key) - 1;
    const finding = event.key === 'Enter' && this.value() !== null ? this.value() : this.findings()[at];
    if (finding === undefined || finding === null || event.repeat) return;
    event.preventDefault();
    this.chosen.emit(finding);
  }
}

const wordsOf = (finding: string): string => finding.charAt(0).toUpperCase() + finding.slice(1).replaceAll('-', ' ');

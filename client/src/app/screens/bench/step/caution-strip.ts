import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { AcknowledgementView } from '@tetrad/contracts';
import { CAUTIONS, cautionsOfStep } from '@tetrad/core';
import type { CautionName, StepName } from '@tetrad/core';
import { Button } from '../../../kit/button';

/** Cautions of the step at hand: read once a job, acknowledged by name and time. */
@Component({
  selector: 'tt-caution-strip',
  imports: [Button, DatePipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (open().length > 0) {
      <div class="open">
        <div class="texts">
          @for (entry of open(); track entry) {
            <p><strong>Caution.</strong> {{ texts[entry] }}</p>
          }
        </div>
        <button pButton (click)="accept()">Understood</button>
      </div>
    }
    @for (entry of done(); track entry.caution) {
      <p class="soft done">
        <span class="text">{{ texts[entry.caution] }}</span>
        <span class="who"
          >{{ entry.by }}, <span class="figure">{{ entry.at | date: 'HH:mm' }}</span></span
        >
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 4px;
    }
    :host([hidden]) {
      display: none;
    }
    .open {
      display: flex;
      align-items: center;
      gap: 8px 16px;
      padding: 6px 8px 6px 12px;
      border-left: 3px solid var(--near);
      background: var(--shade);
      line-height: 1.25;
    }
    .texts {
      flex: 1;
      display: grid;
      gap: 4px;
      font-size: var(--text-md);
    }
    .done {
      display: flex;
      gap: 16px;
      font-size: var(--text-xs);
    }
    .text {
      flex: 1;
      min-width: 0;
    }
    .who {
      white-space: nowrap;
    }
    @media (max-width: 600px) {
      .open {
        flex-wrap: wrap;
      }
      .texts {
        flex-basis: 100%;
      }
    }
  `,
})
export class CautionStrip {
  readonly step = input.required<StepName>();
  readonly acknowledged = input.required<readonly AcknowledgementView[]>();
  readonly accepted = output<{ caution: CautionName }>();

  protected readonly texts = CAUTIONS;
  readonly #own = computed(() => cautionsOfStep(this.step()));
  readonly open = computed(() =>
    this.#own().filter((name) => !this.acknowledged().some(({ caution }) => caution === name)),
  );
  protected readonly done = computed(() => this.acknowledged().filter(({ caution }) => this.#own().includes(caution)));

  /** Acknowledges what is open, each by itself. */
  accept(): void {
    for (const caution of this.open()) this.accepted.emit({ caution });
  }
}

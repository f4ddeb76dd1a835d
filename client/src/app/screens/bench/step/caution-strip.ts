import { DatePipe } from '@angular/common';
import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, viewChild } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { AcknowledgementView } from '@tetrad/contracts';
import { CAUTIONS, cautionsOfStep } from '@tetrad/core';
import type { CautionName, StepName } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../../kit/button';
import { Field } from '../../../kit/field';
import { ShopActions, selectWho } from '../../../state/shop/shop.feature';

/** Cautions of the step at hand: read once a job, acknowledged by name and time. */
@Component({
  selector: 'tt-caution-strip',
  imports: [Button, DatePipe, Field, InputText, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (open().length > 0) {
      <div class="open">
        <div class="texts">
          @for (entry of open(); track entry) {
            <p><strong>Mind.</strong> {{ texts[entry] }}</p>
          }
        </div>
        @if (who() === '') {
          <tt-field class="name" label="Your name" [quiet]="true">
            <input
              #nameBox
              pInputText
              placeholder="Your name"
              maxlength="80"
              [formControl]="typed"
              (keydown.enter)="$event.preventDefault(); accept()"
            />
          </tt-field>
        }
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
      font-size: 0.9375rem;
    }
    .name {
      width: 128px;
    }
    .done {
      display: flex;
      gap: 16px;
      font-size: 0.8125rem;
    }
    .text {
      flex: 1;
      min-width: 0;
      overflow: hidden;
      white-space: nowrap;
      text-overflow: ellipsis;
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
      .text {
        white-space: normal;
      }
    }
  `,
})
export class CautionStrip {
  readonly #store = inject(Store);
  readonly step = input.required<StepName>();
  readonly acknowledged = input.required<readonly AcknowledgementView[]>();
  readonly accepted = output<{ caution: CautionName; by: string }>();

  protected readonly nameBox = viewChild<ElementRef<HTMLInputElement>>('nameBox');
  protected readonly texts = CAUTIONS;
  protected readonly who = this.#store.selectSignal(selectWho);
  protected readonly typed = new FormControl('', { nonNullable: true });
  readonly #own = computed(() => cautionsOfStep(this.step()));
  readonly open = computed(() =>
    this.#own().filter((name) => !this.acknowledged().some(({ caution }) => caution === name)),
  );
  protected readonly done = computed(() => this.acknowledged().filter(({ caution }) => this.#own().includes(caution)));

  /** By keyboard: where nobody has given a name, asks for it. */
  acceptOrAsk(): void {
    this.accept();
  }

  /** Acknowledges what is open, each by itself; without a name it asks for one. */
  protected accept(): void {
    const by = this.who() || this.typed.value.trim();
    const open = this.open();
    if (open.length === 0) return;
    if (!by) return this.nameBox()?.nativeElement.focus();
    if (this.who() === '') this.#store.dispatch(ShopActions.named({ who: by }));
    for (const caution of open) this.accepted.emit({ caution, by });
  }
}

import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { PIN_DIGITS } from '@tetrad/contracts/light';
import { Button } from '../kit/button';

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '', '0', '⌫'] as const;
const BACK = '⌫';

/** Digits large enough for gloves; the last one sends. The keyboard's own digits work too. */
@Component({
  selector: 'tt-pin-pad',
  imports: [Button],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="typed figure" role="status" [attr.aria-label]="typed().length + ' of ' + LENGTH + ' digits'">
      @for (place of places(); track $index) {
        <span [class.full]="place"></span>
      }
    </p>
    <div class="pad">
      @for (digit of DIGITS; track $index) {
        @if (digit === '') {
          <span></span>
        } @else {
          <button
            pButton
            [disabled]="busy()"
            [attr.aria-label]="digit === BACK ? 'Take back a digit' : digit"
            (click)="press(digit)"
          >
            {{ digit }}
          </button>
        }
      }
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
      justify-items: center;
    }
    .typed {
      display: flex;
      gap: 12px;
      height: 20px;
      align-items: center;
    }
    .typed span {
      width: 14px;
      height: 14px;
      border: 1.5px solid var(--ink);
      border-radius: 50%;
    }
    .typed .full {
      background: var(--ink);
    }
    .pad {
      display: grid;
      grid-template-columns: repeat(3, 80px);
      gap: 8px;
    }
    button {
      min-height: 64px;
      justify-content: center;
      font: 500 1.5rem var(--mono);
    }
  `,
  host: { '(document:keydown)': 'key($event)' },
})
export class PinPad {
  readonly busy = input(false);
  readonly entered = output<string>();
  protected readonly DIGITS = DIGITS;
  protected readonly BACK = BACK;
  protected readonly LENGTH = PIN_DIGITS;
  protected readonly typed = signal('');
  protected readonly places = computed(() => Array.from({ length: PIN_DIGITS }, (_, at) => at < this.typed().length));

  /** Begins anew: the PIN was wrong, or another person is meant. */
  clear(): void {
    this.typed.set('');
  }

  protected press(digit: string): void {
    if (this.busy()) return;
    if (digit === BACK) return this.typed.update((typed) => typed.slice(0, -1));
    this.typed.update((typed) => (typed + digit).slice(0, PIN_DIGITS));
    if (this.typed().length === PIN_DIGITS) this.entered.emit(this.typed());
  }
  protected key(event: KeyboardEvent): void {
    if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
    if (/^\d$/.test(event.key)) this.press(event.key);
    else if (event.key === 'Backspace') this.press(BACK);
  }
}

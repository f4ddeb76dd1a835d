import type { OnInit } from '@angular/core';
import { Directive, ElementRef, booleanAttribute, inject, input } from '@angular/core';

const FOCUSABLE = 'input, textarea, button, [tabindex="0"]';

/** Takes the focus as soon as it is in the page, so that the first key typed is not lost; of a part, its first field. */
@Directive({ selector: '[ttFocusFirst]' })
export class FocusFirst implements OnInit {
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  /** False where something else in the page takes it. */
  readonly ttFocusFirst = input(true, { transform: booleanAttribute });

  ngOnInit(): void {
    if (!this.ttFocusFirst()) return;
    const take = (triesLeft: number): void => {
      const element = this.#host.matches(FOCUSABLE) ? this.#host : this.#host.querySelector<HTMLElement>(FOCUSABLE);
      if (element?.isConnected && element.getClientRects().length > 0) element.focus();
      else if (triesLeft > 0) requestAnimationFrame(() => take(triesLeft - 1));
    };
    take(60);
  }
}

import type { OnInit } from '@angular/core';
import { Directive, ElementRef, inject } from '@angular/core';

const FOCUSABLE = 'input, textarea, button, [tabindex="0"]';

/** Takes the focus as soon as it is in the page, so that the first key typed is not lost; of a part, its first field. */
@Directive({ selector: '[ttFocusFirst]' })
export class FocusFirst implements OnInit {
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  ngOnInit(): void {
    const take = (triesLeft: number): void => {
      const element = this.#host.matches(FOCUSABLE) ? this.#host : this.#host.querySelector<HTMLElement>(FOCUSABLE);
      if (element?.isConnected && element.getClientRects().length > 0) element.focus();
      else if (triesLeft > 0) requestAnimationFrame(() => take(triesLeft - 1));
    };
    take(60);
  }
}

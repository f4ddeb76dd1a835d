import type { OnInit } from '@angular/core';
import { Directive, ElementRef, inject } from '@angular/core';

/** Takes the focus as soon as it is in the page, so that the first key typed is not lost. */
@Directive({ selector: '[ttFocusFirst]' })
export class FocusFirst implements OnInit {
  readonly #element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  ngOnInit(): void {
    const take = (triesLeft: number): void => {
      if (this.#element.isConnected && this.#element.getClientRects().length > 0) this.#element.focus();
      else if (triesLeft > 0) requestAnimationFrame(() => take(triesLeft - 1));
    };
    take(60);
  }
}

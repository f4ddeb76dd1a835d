import { Directive, ElementRef, computed, inject, input } from '@angular/core';
import { ButtonDirective } from 'primeng/button';

/**
 * `main` is the one thing to do here, `plain` anything else, `bare` what must not call; a `row` is a line of a
 * list that lays out its own content, a `link` stands in a sentence.
 */
export type ButtonKind = 'main' | 'plain' | 'bare' | 'row' | 'link';

const CLASSES: Readonly<Record<ButtonKind, string>> = {
  main: 'kit-button',
  plain: 'kit-button kit-plain',
  bare: 'kit-button kit-bare',
  row: 'kit-button kit-bare kit-row',
  link: 'kit-button kit-bare kit-link',
};

/** A button, or a link that looks like one. Inside a form it does not submit unless it says so. */
@Directive({
  selector: '[pButton]',
  hostDirectives: [ButtonDirective],
  host: { '[class]': 'classes()' },
})
export class Button {
  readonly kind = input<ButtonKind>('plain');
  protected readonly classes = computed(() => CLASSES[this.kind()]);

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    if (host.tagName === 'BUTTON' && !host.hasAttribute('type')) host.setAttribute('type', 'button');
  }
}

import { Directive, output } from '@angular/core';

/**
 * Enter in a text of a form, told at once. A browser sends a form only if its button is enabled, and that is drawn a
 * moment after the last key: of a quick hand the Enter would be lost. A key held down tells once.
 */
@Directive({ selector: 'form[ttEnter]', host: { '(keydown.enter)': 'tell($event)' } })
export class Enter {
  readonly ttEnter = output();

  protected tell(event: Event): void {
    const { target } = event;
    if (!(target instanceof HTMLInputElement) || target.type !== 'text') return;
    event.preventDefault();
    if (!(event as KeyboardEvent).repeat) this.ttEnter.emit();
  }
}

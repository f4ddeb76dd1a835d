import { Directive } from '@angular/core';
import { sendForm } from '../value-control';

/**
 * A form that Enter in a text sends at once. A browser sends one only if its button is enabled, and that is drawn a
 * moment after the last key: of a quick hand the Enter would be lost. A key held down sends once.
 */
@Directive({ selector: 'form[ttEnter]', host: { '(keydown.enter)': 'send($event)' } })
export class Enter {
  protected send(event: Event): void {
    const { target } = event;
    if (!(target instanceof HTMLInputElement) || target.type !== 'text') return;
    if ((event as KeyboardEvent).repeat) event.preventDefault();
    else sendForm(event);
  }
}

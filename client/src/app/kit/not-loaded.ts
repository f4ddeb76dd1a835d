import { DOCUMENT } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Button } from './button';
import { Message } from './message';

/** In place of a part of the page whose script did not come. A browser fetches it again only with a new page. */
@Component({
  selector: 'tt-not-loaded',
  imports: [Button, Message],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-message class="no-print">
      {{ what() }} could not be loaded: the server does not answer. What was entered is kept on this device.
      <button pButton (click)="document.location.reload()">Reload the page</button>
    </tt-message>
  `,
})
export class NotLoaded {
  /** With its article, as the sentence begins. */
  readonly what = input.required<string>();
  protected readonly document = inject(DOCUMENT);
}

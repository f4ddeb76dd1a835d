import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { Button } from '../../kit/button';
import { Message } from '../../kit/message';
import { selectMay } from '../../state/session/session.feature';
import { ApiKeys } from './api-keys';
import { Webhooks } from './webhooks';

/** How the shop's own programs work with it: keys, webhooks, and the document of the interface. */
@Component({
  selector: 'tt-open-interface',
  imports: [ApiKeys, Button, Message, Webhooks],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kit-bar">
      <h1>API</h1>
      <p class="soft">For the shop’s own programs: open a job, read its result, be told when it is decided.</p>
      <a pButton kind="bare" href="/api/openapi.json" target="_blank" rel="noopener">OpenAPI document</a>
    </div>
    @if (may()) {
      <div class="parts">
        <tt-api-keys />
        <tt-webhooks />
      </div>
    } @else {
      <tt-message>Administrators manage keys and webhooks.</tt-message>
    }
  `,
  styles: `
    .kit-bar p {
      flex: 1 1 300px;
      margin: 0;
    }
    .parts {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 32px;
      padding: 8px 16px 32px;
    }
  `,
})
export class OpenInterface {
  protected readonly may = inject(Store).selectSignal(selectMay('manage-people'));
}

import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Button } from '../../../kit/button';
import { Dialog } from '../../../kit/dialog';
import { Message } from '../../../kit/message';
import { Coming } from '../../../kit/states';
import { Api } from '../../../api/api';
import { selectSession, selectShop } from '../../../state/session/session.feature';
import { Store } from '@ngrx/store';
import { EMPTY } from 'rxjs';
import { create } from 'qrcode';

const QUIET = 4;

/** The address of the wheel view, to be photographed by the phone at the wheel. */
@Component({
  selector: 'tt-wheel-link',
  imports: [Button, Coming, Dialog, Message, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog header="The phone at the wheel" (closed)="closed.emit()">
      <div class="both">
        @if (code(); as drawn) {
          <svg [attr.viewBox]="drawn.box" role="img" [attr.aria-label]="'QR code of ' + address()">
            <rect x="-4" y="-4" width="200" height="200" fill="#fff" />
            <path [attr.d]="drawn.d" fill="#000" />
          </svg>
        } @else if (failed()) {
          <tt-message>The code could not be made: the server does not answer.</tt-message>
        } @else {
          <tt-coming says="Making the code …" />
        }
        <div>
          <p>Photograph the code with the phone: it shows the count, beeps, and every reading as it is entered.</p>
          <p class="soft">It lets one phone in to this job, within ten minutes, for a shift.</p>
          <p class="figure address">{{ address() }}</p>
          @if (isLoopback()) {
            <tt-message kind="note">
              The phone cannot reach this address: it is this computer’s own. Start the server with
              <code>{{ command() }}</code>
              and open the bench by the computer’s network address.
            </tt-message>
          }
          <a pButton [routerLink]="['/jobs', job(), 'wheel']">Open it here</a>
        </div>
      </div>
    </tt-dialog>
  `,
  styles: `
    .both {
      display: grid;
      grid-template-columns: 240px minmax(0, 320px);
      gap: 24px;
      align-items: start;
    }
    .both div {
      display: grid;
      gap: 12px;
      justify-items: start;
    }
    .address {
      overflow-wrap: anywhere;
      font-size: var(--text-sm);
    }
    @media (max-width: 600px) {
      .both {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class WheelLink {
  readonly #api = inject(Api);
  readonly job = input.required<string>();
  readonly closed = output();

  readonly #store = inject(Store);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #session = this.#store.selectSignal(selectSession);
  readonly #key = rxResource({
    params: () => ({ shop: this.#shop(), job: this.job() }),
    stream: ({ params: { shop, job } }) => (shop === null ? EMPTY : this.#api.pairPhone(shop, job)),
  });
  protected readonly failed = computed(() => this.#key.error() !== undefined);
  protected readonly address = computed(() => `${location.origin}/jobs/${this.job()}/wheel`);
  /** With the key that lets one phone in; null until the server has made it. */
  protected readonly url = computed(() =>
    this.#key.hasValue() ? `${this.address()}#key=${this.#key.value().key}` : null,
  );
  /** The demo is shown to a network only where that is asked for. */
  protected readonly command = computed(
    () => `npm start -- --host 0.0.0.0${this.#session()?.demoShops.length ? ' --demo-open' : ''}`,
  );
  protected readonly isLoopback = computed(() => /^(localhost|127\.|\[::1\])/.test(location.host));
  /** The code as one path of unit squares. */
  protected readonly code = computed(() => {
    const url = this.url();
    if (url === null) return null;
    const { modules } = create(url, { errorCorrectionLevel: 'M' });
    const squares: string[] = [];
    for (let row = 0; row < modules.size; row++)
      for (let column = 0; column < modules.size; column++)
        if (modules.get(row, column)) squares.push(`M${column} ${row}h1v1h-1z`);
    const side = modules.size + 2 * QUIET;
    return { d: squares.join(''), box: `${-QUIET} ${-QUIET} ${side} ${side}` };
  });
}

import { DatePipe } from '@angular/common';
import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { WEBHOOK_EVENTS, WebhookBody } from '@tetrad/contracts';
import type { DeliveryView, WebhookEvent, WebhookView } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { TableModule } from 'primeng/table';
import { Button } from '../../kit/button';
import { CheckList } from '../../kit/check-list';
import { Field } from '../../kit/field';
import { bodyOf } from '../../kit/forms/body-form';
import { Message } from '../../kit/message';
import { Toasts } from '../../kit/toasts';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { newId } from '../../device/new-id';
import { selectShop } from '../../state/session/session.feature';

const EVENT_WORDS: Readonly<Record<WebhookEvent, string>> = {
  'job.decided': 'Job decided',
  'job.signed-off': 'Job signed off',
  'round.due': 'Checks due',
};

/** Addresses that are told what happens, and what came of the newest messages. */
@Component({
  selector: 'tt-webhooks',
  imports: [Button, CheckList, DatePipe, Field, InputText, Message, ReactiveFormsModule, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Webhooks</h2>
    @if (problem(); as text) {
      <tt-message>{{ text }} <button pButton kind="bare" (click)="problem.set(null)">Close</button></tt-message>
    }
    @for (hook of hooks(); track hook.id) {
      <section [attr.aria-label]="hook.url">
        <p>
          <strong class="figure url">{{ hook.url }}</strong> <span class="soft">{{ hook.words }}</span>
        </p>
        <p class="soft">
          Secret <span class="figure once">{{ shown() === hook.id ? hook.secret : 'whsec_…' }}</span>
          <button pButton kind="link" (click)="shown.set(shown() === hook.id ? null : hook.id)">
            {{ shown() === hook.id ? 'Hide' : 'Show' }}
          </button>
        </p>
        @if (hook.isOff) {
          <p><strong>Off.</strong> It came with a copy of this shop and sends nothing until you switch it on.</p>
        }
        <div class="does">
          @if (hook.isOff) {
            <button pButton (click)="switchOn(hook)">Switch on</button>
          } @else {
            <button pButton (click)="test(hook)">Send a test</button>
          }
          <button pButton (click)="look(hook)">Messages</button>
          <button pButton kind="bare" (click)="remove(hook)">Remove</button>
        </div>
        @if (looked()?.id === hook.id) {
          <p-table [value]="deliveries()" dataKey="id">
            <ng-template #header>
              <tr>
                <th scope="col">What</th>
                <th scope="col">When</th>
                <th scope="col">Result</th>
              </tr>
            </ng-template>
            <ng-template #body let-row>
              <tr>
                <td>{{ row.event }}</td>
                <td class="figure">{{ row.createdAt | date: 'd MMM, HH:mm:ss' }}</td>
                <td>{{ resultOf(row) }}</td>
              </tr>
            </ng-template>
            <ng-template #emptymessage>
              <tr>
                <td colspan="3" class="soft">Nothing was sent yet.</td>
              </tr>
            </ng-template>
          </p-table>
        }
      </section>
    }
    <form [formGroup]="form" (ngSubmit)="add()">
      <tt-field label="Address" hint="https://…; it is told by a signed POST (Standard Webhooks).">
        <input pInputText type="url" maxlength="500" formControlName="url" />
      </tt-field>
      <tt-check-list label="It is told" formControlName="events" [options]="events" />
      <button pButton type="submit">Add webhook</button>
    </form>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 12px;
    }
    h2,
    p {
      margin: 0;
    }
    section p {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 0 8px;
    }
    section {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 8px;
      padding: 8px 0 12px;
      border-bottom: 1px solid var(--line);
    }
    .url,
    .once {
      overflow-wrap: anywhere;
    }
    .does {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    form {
      display: grid;
      gap: 12px;
      max-width: 560px;
      justify-items: start;
    }
    tt-field {
      width: 100%;
    }
  `,
})
export class Webhooks {
  readonly #api = inject(Api);
  readonly #toasts = inject(Toasts);
  readonly #shop = inject(Store).selectSignal(selectShop);
  protected readonly events = WEBHOOK_EVENTS.map((value) => ({ value, label: EVENT_WORDS[value] }));
  protected readonly problem = signal<string | null>(null);
  /** Whose secret is shown. */
  protected readonly shown = signal<string | null>(null);
  /** Whose messages are looked at. */
  protected readonly looked = signal<WebhookView | null>(null);
  readonly #found = rxResource({
    params: () => {
      const shop = this.#shop();
      return shop === null ? undefined : { shop };
    },
    stream: ({ params: { shop } }) => this.#api.listWebhooks(shop),
  });
  readonly #deliveries = rxResource({
    params: () => {
      const [shop, hook] = [this.#shop(), this.looked()];
      return shop === null || hook === null ? undefined : { shop, id: hook.id };
    },
    stream: ({ params: { shop, id } }) => this.#api.listDeliveries(shop, id),
  });
  protected readonly hooks = computed(() =>
    (this.#found.hasValue() ? this.#found.value() : []).map((hook) => ({
      ...hook,
      words: hook.events.map((event) => EVENT_WORDS[event].toLowerCase()).join(', '),
    })),
  );
  protected readonly deliveries = computed(() => (this.#deliveries.hasValue() ? [...this.#deliveries.value()] : []));
  protected readonly form = new FormGroup({
    url: new FormControl('', { nonNullable: true }),
    events: new FormControl<readonly WebhookEvent[]>(['job.decided'], { nonNullable: true }),
  });

  protected add(): void {
    const { url, events } = this.form.getRawValue();
    const body = bodyOf(WebhookBody, this.form, { url: url.trim(), events: [...events] });
    const shop = this.#shop();
    if (!body || shop === null) return;
    this.#api.putWebhook(shop, newId(), body).subscribe({
      next: () => {
        this.form.reset();
        this.#found.reload();
      },
      error: this.#refused,
    });
  }
  protected remove({ id, url, events }: WebhookView): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.#api.removeWebhook(shop, id).subscribe({
      next: () => {
        this.#found.reload();
        const again = { url, events: [...events] };
        const undo = (): void => void this.#api.putWebhook(shop, id, again).subscribe(() => this.#found.reload());
        this.#toasts.say('The webhook is removed. Undo gives it a new secret.', undo);
      },
      error: this.#refused,
    });
  }
  protected switchOn({ id, url, events }: WebhookView): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.#api
      .putWebhook(shop, id, { url, events: [...events] })
      .subscribe({ next: () => this.#found.reload(), error: this.#refused });
  }
  protected test(hook: WebhookView): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.#api.tryWebhook(shop, hook.id).subscribe({ next: () => this.look(hook), error: this.#refused });
  }
  protected look(hook: WebhookView): void {
    if (this.looked()?.id === hook.id) this.#deliveries.reload();
    else this.looked.set(hook);
  }
  protected resultOf({ deliveredAt, gaveUpAt, attempts, answer }: DeliveryView): string {
    if (deliveredAt !== null) return `delivered, ${answer ?? ''}`;
    if (attempts === 0) return 'waiting';
    const tries = attempts === 1 ? 'one attempt' : `${attempts} attempts`;
    return `${tries}: ${answer ?? ''}; ${gaveUpAt === null ? 'tried again later' : 'given up'}`;
  }

  readonly #refused = (failure: HttpErrorResponse): void => this.problem.set(problemOf(failure).detail);
}

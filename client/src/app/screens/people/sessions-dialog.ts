import type { HttpErrorResponse } from '@angular/common/http';
import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { OpenSessionView, SessionKind } from '@tetrad/contracts';
import { EMPTY } from 'rxjs';
import { Button } from '../../kit/button';
import { Dialog } from '../../kit/dialog';
import { Message } from '../../kit/message';
import { Coming } from '../../kit/states';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { selectShop } from '../../state/session/session.feature';

const KINDS: Readonly<Record<SessionKind, string>> = {
  device: 'Device',
  phone: 'Phone beside a job',
  first: 'One-time password',
  key: 'API key',
};

/** Where somebody is signed in, one by one. */
@Component({
  selector: 'tt-sessions-dialog',
  imports: [Button, Coming, DatePipe, Dialog, Message],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog [header]="'Sessions of ' + person().name" (closed)="closed.emit()">
      @if (problem(); as text) {
        <tt-message>{{ text }}</tt-message>
      }
      @if (loading()) {
        <tt-coming says="Loading the sessions …" />
      } @else {
        <ul>
          @for (one of rows(); track one.id) {
            <li>
              <span>
                <strong>{{ kinds[one.kind] }}{{ one.isThis ? ', this one' : '' }}</strong>
                <span class="soft">
                  since {{ one.begunAt | date: 'd MMM, HH:mm' }}, until {{ one.endsAt | date: 'd MMM, HH:mm' }}
                  @if (one.address) {
                    · from <span class="figure">{{ one.address }}</span>
                  }
                </span>
              </span>
              @if (!one.isThis) {
                <button pButton kind="bare" (click)="end(one)">End</button>
              }
            </li>
          } @empty {
            <li class="soft">Not signed in anywhere.</li>
          }
        </ul>
      }
      @if (rows().length > 1) {
        <button pButton (click)="all.emit()">End all {{ rows().length }}</button>
      }
    </tt-dialog>
  `,
  styles: `
    ul {
      display: grid;
      margin: 0 0 16px;
      padding: 0;
      list-style: none;
      min-width: min(440px, 80vw);
    }
    li {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 16px;
      min-height: 52px;
      padding: 8px 0;
      border-bottom: 1px solid var(--line);
    }
    li > span {
      display: grid;
    }
  `,
})
export class SessionsDialog {
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly person = input.required<{ readonly id: string; readonly name: string }>();
  readonly closed = output();
  /** All of them are to end. */
  readonly all = output();
  protected readonly kinds = KINDS;
  protected readonly problem = signal<string | null>(null);

  readonly #sessions = rxResource({
    params: () => ({ shop: this.#shop(), id: this.person().id }),
    stream: ({ params: { shop, id } }) => (shop === null ? EMPTY : this.#api.listSessions(shop, id)),
  });
  protected readonly loading = computed(() => this.#sessions.isLoading() && !this.#sessions.hasValue());
  protected readonly rows = computed(() => (this.#sessions.hasValue() ? this.#sessions.value() : []));

  protected end({ id }: OpenSessionView): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.#api.endSession(shop, this.person().id, id).subscribe({
      next: () => this.#sessions.reload(),
      error: (failure: HttpErrorResponse) => {
        this.problem.set(problemOf(failure).detail);
        this.#sessions.reload();
      },
    });
  }
}

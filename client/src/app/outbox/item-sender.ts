import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { JobView } from '@tetrad/contracts';
import type { Observable } from 'rxjs';
import { deviceId } from '../device/device-id';
import { idempotencyHeader } from '../api/idempotent-writes';
import { requestOf } from './outbox-item';
import type { OutboxItem } from './outbox-item';

/** Sends one item of the outbox, however often: the server stores a repeat once. */
@Injectable({ providedIn: 'root' })
export class ItemSender {
  readonly #http = inject(HttpClient);

  send(item: OutboxItem): Observable<JobView> {
    // what was queued a while ago tells its age by this device's time
    const { method, url, body } = requestOf(item, Date.now());
    const headers = idempotencyHeader(`${deviceId()}.${item.id}`);
    return this.#http.request<JobView>(method, url, { body, headers });
  }
}

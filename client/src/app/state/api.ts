import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Observable } from 'rxjs';
import type { FloorRow, JobStatus, JobView, ShopView, VehicleView, VisitView } from '@tetrad/contracts';
import type { Case } from '@tetrad/core';
import type { OutboxItem } from './outbox/outbox-item';

/** The server's addresses. */
@Injectable({ providedIn: 'root' })
export class Api {
  readonly #http = inject(HttpClient);

  shops(): Observable<readonly ShopView[]> {
    return this.#http.get<readonly ShopView[]>('/api/shops');
  }
  floor(shop: string, status: JobStatus): Observable<readonly FloorRow[]> {
    return this.#http.get<readonly FloorRow[]>(`/api/shops/${shop}/jobs`, { params: { status } });
  }
  job(shop: string, id: string): Observable<JobView> {
    return this.#http.get<JobView>(`/api/shops/${shop}/jobs/${id}`);
  }
  vehicles(shop: string): Observable<readonly VehicleView[]> {
    return this.#http.get<readonly VehicleView[]>(`/api/shops/${shop}/vehicles`);
  }
  visits(shop: string, vehicle: string): Observable<readonly VisitView[]> {
    return this.#http.get<readonly VisitView[]>(`/api/shops/${shop}/vehicles/${vehicle}/visits`);
  }
  importCase(shop: string, document: Case): Observable<JobView> {
    return this.#http.post<JobView>(`/api/shops/${shop}/cases`, document);
  }

  /** Sends one item of the outbox; the server stores a repeat once. `now` gives a reading its age. */
  send(item: OutboxItem, now: number): Observable<JobView> {
    const jobs = `/api/shops/${item.shop}/jobs`;
    switch (item.kind) {
      case 'new-job':
        return this.#http.post<JobView>(jobs, item.body);
      case 'reading':
        return this.#http.post<JobView>(`${jobs}/${item.job}/readings`, {
          ...item.body,
          secondsAgo: Math.max(0, (now - item.queuedAt) / 1000),
        });
      case 'void':
        return this.#http.post<JobView>(
          `${jobs}/${item.job}/readings/${encodeURIComponent(item.reading)}/void`,
          item.body,
        );
      case 'observation':
        return this.#http.post<JobView>(`${jobs}/${item.job}/observations`, item.body);
      case 'timer':
        return this.#http.post<JobView>(`${jobs}/${item.job}/timers`, {
          ...item.body,
          secondsAgo: Math.max(0, (now - item.queuedAt) / 1000),
        });
      case 'timer-stop':
        return this.#http.post<JobView>(`${jobs}/${item.job}/timers/${item.timer}/stop`, null);
      case 'acknowledgement':
        return this.#http.post<JobView>(`${jobs}/${item.job}/acknowledgements`, item.body);
      case 'sign-off':
        return this.#http.post<JobView>(`${jobs}/${item.job}/sign-offs`, item.body);
      case 'changes':
        return this.#http.patch<JobView>(`${jobs}/${item.job}`, item.body);
      default:
        throw new Error(`unknown outbox item ${JSON.stringify(item satisfies never)}`);
    }
  }
}

import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Observable } from 'rxjs';
import type {
  FloorRow,
  InstrumentBody,
  InstrumentView,
  JobStatus,
  JobView,
  NewCheck,
  ShopView,
  VehicleView,
  VisitView,
} from '@tetrad/contracts';
import type { Case } from '@tetrad/core';
import { requestOf } from '../outbox/outbox-item';
import type { OutboxItem } from '../outbox/outbox-item';

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

  instruments(shop: string): Observable<readonly InstrumentView[]> {
    return this.#http.get<readonly InstrumentView[]>(`/api/shops/${shop}/instruments`);
  }
  putInstrument(shop: string, id: string, body: InstrumentBody): Observable<InstrumentView> {
    return this.#http.put<InstrumentView>(`/api/shops/${shop}/instruments/${id}`, body);
  }
  checkInstrument(shop: string, id: string, check: NewCheck): Observable<InstrumentView> {
    return this.#http.post<InstrumentView>(`/api/shops/${shop}/instruments/${id}/checks`, check);
  }

  /** Sends one item of the outbox; the server stores a repeat once. `now` gives what it carries its age, ms. */
  send(item: OutboxItem, now: number): Observable<JobView> {
    const { method, path, body } = requestOf(item, now);
    return this.#http.request<JobView>(method, `/api/shops/${item.shop}/jobs${path}`, { body });
  }
}

import { Location } from '@angular/common';
import { ChangeDetectionStrategy, Component, ElementRef, afterNextRender, inject, input } from '@angular/core';
import { SUMS } from '@tetrad/core/desk';
import type { SumEntries } from '@tetrad/core/desk';
import { Button } from '../../kit/button';
import { DeskSum } from './desk-sum';

/** The sums of the trade on their own; each has an address with what was entered. */
@Component({
  selector: 'tt-desk',
  imports: [Button, DeskSum],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="bar">
      <h1>Desk</h1>
      <nav aria-label="Sums">
        @for (sum of sums; track sum.id) {
          <a [href]="'/desk/' + sum.id" (click)="go($event, sum.id)">{{ sum.name }}</a>
        }
      </nav>
      <button pButton kind="bare" class="no-print" (click)="print()">Print</button>
    </div>
    <div class="sums">
      @for (item of sums; track item.id) {
        <tt-desk-sum [id]="item.id" [sum]="item" [given]="givenTo(item.id)" (changed)="keep(item.id, $event)" />
      }
    </div>
  `,
  styles: `
    .bar {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 24px;
      padding: 8px 16px;
    }
    h1 {
      margin: 0;
    }
    nav {
      display: flex;
      flex: 1 1 400px;
      flex-wrap: wrap;
      gap: 0 16px;
    }
    nav a {
      display: inline-flex;
      align-items: center;
      min-height: 32px;
    }
    .sums {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 400px), 1fr));
      gap: 0 32px;
      padding: 0 16px 48px;
    }
    tt-desk-sum {
      scroll-margin-top: 16px;
    }
    @media print {
      nav {
        display: none;
      }
      .sums {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
})
export class Desk {
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly #location = inject(Location);
  /** From the address: the sum at hand. */
  readonly sum = input<string>();
  readonly #query = new URLSearchParams(this.#location.path().split('?')[1] ?? '');
  protected readonly sums = SUMS;

  constructor() {
    afterNextRender(() => {
      const id = this.sum();
      if (id !== undefined) this.#show(id);
    });
  }

  /** What the address says was entered. */
  protected givenTo(id: string): SumEntries {
    if (id !== this.sum()) return {};
    return Object.fromEntries(
      [...this.#query].map(([name, text]) => [
        name,
        text !== '' && Number.isFinite(Number(text)) ? Number(text) : text,
      ]),
    );
  }
  protected keep(id: string, entries: SumEntries): void {
    const query = new URLSearchParams(Object.entries(entries).map(([name, value]) => [name, String(value)]));
    this.#location.replaceState(`/desk/${id}`, query.toString());
  }
  protected go(event: Event, id: string): void {
    event.preventDefault();
    this.#location.replaceState(`/desk/${id}`);
    this.#show(id);
  }
  protected print(): void {
    globalThis.print();
  }
  #show(id: string): void {
    const place = this.#host.querySelector(`#${CSS.escape(id)}`);
    place?.scrollIntoView({ block: 'start' });
    place?.querySelector<HTMLElement>('input')?.focus({ preventScroll: true });
  }
}

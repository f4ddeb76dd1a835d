import { Location } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { SUMS } from '@tetrad/core/desk';
import type { SumEntries } from '@tetrad/core/desk';
import { typeInto } from '../../job/kept-entry';
import { Button } from '../../kit/button';
import { DeskSum } from './desk-sum';

/** What the address tells of the job, and not of the sum. */
const OF_THE_JOB: readonly string[] = ['job', 'step', 'reads'];

/** The sums of the trade on their own; each has an address with what was entered. */
@Component({
  selector: 'tt-desk',
  imports: [Button, DeskSum, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kit-bar">
      <h1>Desk</h1>
      <nav aria-label="Sums">
        @for (sum of sums; track sum.id) {
          <a [href]="'/desk/' + sum.id" (click)="go($event, sum.id)">{{ sum.name }}</a>
        }
      </nav>
      @if (job(); as id) {
        <a pButton class="no-print" [routerLink]="['/jobs', id]" [queryParams]="{ step: step() }">Back to the job</a>
      }
      <button pButton kind="bare" class="no-print" (click)="print()">Print</button>
    </div>
    <div class="sums">
      @for (item of sums; track item.id) {
        <tt-desk-sum
          [id]="item.id"
          [sum]="item"
          [given]="givenTo(item.id)"
          [reads]="job() && item.id === sum() ? place() : null"
          (changed)="keep(item.id, $event)"
          (used)="use($event)"
        />
      }
    </div>
  `,
  styles: `
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
  /** The job that it was opened from, the step there, and which result is its reading. */
  readonly job = input<string>();
  readonly step = input<string>();
  readonly reads = input<string>();
  protected readonly place = computed(() => (this.reads() === undefined ? null : Number(this.reads())));
  readonly #router = inject(Router);
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
      [...this.#query]
        .filter(([name]) => !OF_THE_JOB.includes(name))
        .map(([name, text]) => [name, text !== '' && Number.isFinite(Number(text)) ? Number(text) : text]),
    );
  }
  protected keep(id: string, entries: SumEntries): void {
    const kept = OF_THE_JOB.flatMap((name) => (this.#query.has(name) ? [[name, this.#query.get(name)!]] : []));
    const query = new URLSearchParams([
      ...Object.entries(entries).map(([name, value]) => [name, String(value)]),
      ...(id === this.sum() ? kept : []),
    ]);
    this.#location.replaceState(`/desk/${id}`, query.toString());
  }
  protected go(event: Event, id: string): void {
    event.preventDefault();
    this.#location.replaceState(`/desk/${id}`);
    this.#show(id);
  }
  /** The figure stands in the entry of the job's step, and is saved there. */
  protected use(value: number): void {
    const [job, step] = [this.job(), this.step()];
    if (job === undefined || step === undefined) return;
    typeInto(job, step, String(value));
    void this.#router.navigate(['/jobs', job], { queryParams: { step } });
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

import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { CriteriaSet } from '@tetrad/core';
import { Button } from '../kit/button';
import { Drawer } from '../kit/drawer';
import { GuidePageView } from './guide-page-view';
import { GuidePages } from './guide-pages';

/** A page of the guide beside the work: its links change the page, and the step stays in view. */
@Component({
  selector: 'tt-guide-drawer',
  imports: [Button, Drawer, GuidePageView, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-drawer [header]="shown().title" (closed)="closed.emit()">
      <div class="ways">
        @if (shown().id !== page()) {
          <button pButton kind="bare" (click)="id.set(page())">Back to {{ titles().get(page()) }}</button>
        }
        <a pButton kind="bare" [routerLink]="['/guide', shown().id]">Whole guide</a>
      </div>
      <tt-guide-page [page]="shown()" [titles]="titles()" [isInPlace]="true" (followed)="id.set($event)" />
    </tt-drawer>
  `,
  styles: `
    .ways {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
})
export class GuideDrawer {
  readonly #pages = inject(GuidePages);
  /** The page of the step at hand. */
  readonly page = input.required<string>();
  /** The limit set of the job. */
  readonly criteria = input.required<CriteriaSet>();
  readonly closed = output();
  readonly #book = computed(() => this.#pages.of(this.criteria()));
  protected readonly titles = computed(() => this.#book().titles);
  protected readonly id = linkedSignal(() => this.page());
  protected readonly shown = computed(() => {
    const { pages } = this.#book();
    return pages.find(({ id }) => id === this.id()) ?? pages[0]!;
  });
}

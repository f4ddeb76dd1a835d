/** What stands where something is not there: it comes, there is none, or it failed. */
import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { Skeleton } from 'primeng/skeleton';
import { Message } from './message';

/** It comes: the shape of what will be there. */
@Component({
  selector: 'tt-coming',
  imports: [Skeleton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="sr-only" role="status">{{ says() }}</p>
    @for (row of rows(); track row) {
      <p-skeleton [width]="row + '%'" height="28px" aria-hidden="true" />
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 20px;
      padding: 24px 16px;
    }
  `,
})
export class Coming {
  readonly says = input.required<string>();
  protected readonly rows = () => [38, 82, 74, 78, 60];
}

/** There is none, and what to do about it. */
@Component({
  selector: 'tt-empty',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="says">{{ says() }}</p>
    <ng-content />
  `,
  styles: `
    :host {
      display: grid;
      gap: 16px;
      justify-items: start;
      padding: 24px 16px;
    }
    .says {
      color: var(--ink-soft);
    }
  `,
})
export class Empty {
  readonly says = input.required<string>();
}

/** It failed, in the words of whoever refused it, and the ways on. */
@Component({
  selector: 'tt-failed',
  imports: [Message],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-message>{{ says() }}</tt-message>
    <ng-content />
  `,
  styles: `
    :host {
      display: grid;
      gap: 16px;
      justify-items: start;
      padding: 24px 16px;
    }
  `,
})
export class Failed {
  readonly says = input.required<string>();
}

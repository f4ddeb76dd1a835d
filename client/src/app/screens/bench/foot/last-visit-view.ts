import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Button } from '../../../kit/button';
import { GradeMark } from '../../../kit/grade-mark';
import { LastVisit } from '../last-visit';

/** The last visit beside this one: decision, repair, and each reading then and now. */
@Component({
  selector: 'tt-last-visit',
  imports: [Button, DatePipe, GradeMark, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (last.visit(); as visit) {
      <p class="ended">
        <span class="soft figure">{{ visit.openedAt | date: 'd MMM y' }}</span>
        @if (last.ended(); as ended) {
          <strong [class]="'tone-' + ended.tone">{{ ended.words }}</strong>
          @if (ended.fitted) {
            <span class="soft">Fitted: {{ ended.fitted }}</span>
          }
        }
        <a pButton kind="link" [routerLink]="['/jobs', visit.job, 'report']">Its report</a>
      </p>
      <ul>
        <li class="head soft" aria-hidden="true">
          <span></span> <span class="value">then</span> <span></span> <span class="value">now</span> <span></span>
        </li>
        @for (row of last.rows(); track row.key) {
          <li>
            <span class="name">{{ row.name }}</span>
            @if (row.then; as then) {
              <span class="figure soft value">{{ then.words }}</span> <tt-grade [grade]="then.grade" />
            } @else {
              <span class="soft value">not read</span> <span></span>
            }
            @if (row.now; as now) {
              <span class="figure value">{{ now.words }}</span> <tt-grade [grade]="now.grade" />
            } @else {
              <span class="soft value">open</span> <span></span>
            }
          </li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: block;
      overflow: auto;
    }
    .ended {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 12px;
      margin-bottom: 4px;
    }
    .tone-good {
      color: var(--within);
    }
    .tone-act {
      color: var(--outside);
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
      columns: 24rem;
      column-gap: 32px;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 5.5rem 1.2em 5.5rem 1.2em;
      gap: 8px;
      align-items: center;
      break-inside: avoid;
    }
    .value {
      text-align: right;
      white-space: nowrap;
    }
    .name {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
  `,
})
export class LastVisitView {
  protected readonly last = inject(LastVisit);
}

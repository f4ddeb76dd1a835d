import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { decisionWords } from '@tetrad/core';
import { RejudgeRun } from '../../criteria/rejudge-run';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { Message } from '../../kit/message';
import { Progress } from '../../kit/progress';

/** Judges past jobs by a version: how far it is, and which decisions would be others, each one press from its job. */
@Component({
  selector: 'tt-rejudge-panel',
  imports: [Button, DatePipe, Message, Progress, RouterLink],
  providers: [RejudgeRun],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (run.isRunning()) {
      <tt-progress [says]="says()" [share]="run.share()" />
      <button pButton (click)="run.cancel()">Cancel</button>
    } @else {
      <button pButton (click)="begin()">Judge past jobs again</button>
    }
    @if (run.problem(); as why) {
      <tt-message>{{ why }}</tt-message>
    }
    @if (run.progress(); as now) {
      <p role="status">
        <strong
          ><span class="figure">{{ now.changed }}</span> of <span class="figure">{{ now.done }}</span> decisions would
          change</strong
        >{{ now.isEnd ? '.' : run.isRunning() ? '' : ', canceled.' }}
      </p>
      <ul>
        @for (verdict of rows(); track verdict.job) {
          <li>
            <a [routerLink]="['/jobs', verdict.job]">{{ verdict.vehicle.name }}</a>
            <span class="figure soft">{{ verdict.openedAt | date: 'd MMM y' }}</span>
            <span>{{ verdict.words }}</span>
          </li>
        }
      </ul>
      @if (now.changed > rows().length) {
        <p class="soft">and {{ now.changed - rows().length }} more</p>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 8px;
    }
    p {
      margin: 0;
    }
    ul {
      max-height: 320px;
      margin: 0;
      padding: 0;
      overflow-y: auto;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 0 12px;
      padding: 4px 0;
    }
    button {
      justify-self: start;
    }
  `,
})
export class RejudgePanel {
  readonly #figures = inject(Figures);
  protected readonly run = inject(RejudgeRun);
  readonly set = input.required<string>();
  readonly version = input.required<number>();
  protected readonly says = computed(() => {
    const now = this.run.progress();
    return now ? `${now.done} of ${now.total} jobs` : 'Reading the jobs …';
  });
  protected readonly rows = computed(() => {
    const format = this.#figures.format();
    return this.run.verdicts().map(({ before, after, ...verdict }) => ({
      ...verdict,
      words: `${decisionWords(before, format)} → ${decisionWords(after, format)}`,
    }));
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.run.cancel());
  }
  protected begin(): void {
    void this.run.begin(this.set(), this.version());
  }
}

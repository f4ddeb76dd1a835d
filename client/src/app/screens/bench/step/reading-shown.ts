import { DatePipe } from '@angular/common';
import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import { methodWords, readingWords, rulerScale } from '@tetrad/core';
import type { Assessment } from '@tetrad/core';
import { Sentences } from '../../../device/sentences';
import { JobStore } from '../../../job/job.store';
import { Button } from '../../../kit/button';
import { GradeMark } from '../../../kit/grade-mark';
import { focusOnScreen } from '../../../kit/keys/behind-dialogs';
import { Ruler } from '../../../kit/ruler';

/** What follows a reading, as its button says it. */
const ONWARD = { next: 'On to the next', 'sign-off': 'Sign off' } as const;
export type Onward = keyof typeof ONWARD;

/** What was read, first: the value, its grade, the limit, where it stands, and why. Enter goes on; a digit reads again. */
@Component({
  selector: 'tt-reading-shown',
  imports: [Button, DatePipe, GradeMark, RouterLink, Ruler],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p #read class="value" tabindex="-1">
      <span class="figure number" [class.long]="isLong()">{{ value() }}</span>
      <tt-grade [grade]="assessment().grade" [labelled]="true" />
    </p>
    @if (assessment().resolved; as limit) {
      <tt-ruler [scale]="scaleOf(limit)" [grade]="assessment().grade" [write]="write()" />
      @if (assessment().grade === 'within') {
        <p class="soft limit">{{ say()(limit.bound) }}</p>
      }
    }
    @if (assessment().grade !== 'within' || !assessment().resolved) {
      <p class="why">{{ say()(assessment().because) }}</p>
    }
    <p class="soft meta">
      {{ how() }}
      @if (assessment().reading.at; as at) {
        @if (how()) {
          ·
        }
        <span class="figure">{{ at | date: 'HH:mm' }}</span>
      }
      @if (assessment().reading.capture; as stretch) {
        <a
          pButton
          kind="link"
          [routerLink]="['/jobs', job.view()?.id, 'captures']"
          [queryParams]="{ capture: stretch.id, from: stretch.fromS, to: stretch.toS }"
          >from a recording</a
        >
      }
    </p>
    <div class="on">
      @if (leadsTo(); as where) {
        <button #on pButton kind="main" (click)="onward.emit()">{{ ONWARD[where] }}</button>
      }
      @if (!isClosed()) {
        <button pButton (click)="again.emit()">Again</button>
      }
    </div>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 6px;
    }
    .value:focus {
      outline: none; /* it only says where the reader is */
    }
    .value {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 4px 16px;
    }
    .number {
      font-size: var(--text-figure);
      line-height: 1.1;
      white-space: nowrap;
    }
    .number.long {
      font-size: var(--text-3xl);
      white-space: normal;
    }
    tt-grade {
      font-size: var(--text-3xl);
    }
    .why {
      line-height: 1.3;
    }
    .limit,
    .meta {
      font-size: var(--text-sm);
      line-height: 1.25;
    }
    .on {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin-top: 4px;
    }
  `,
})
export class ReadingShown {
  readonly #voice = inject(Sentences);
  protected readonly job = inject(JobStore);
  readonly assessment = input.required<Assessment>();
  /** Of a closed job nothing is read again. */
  readonly isClosed = input(false);
  readonly again = output();
  readonly onward = output();
  /** What its main button leads to; null where nothing follows. */
  readonly leadsTo = input<Onward | null>('next');
  protected readonly ONWARD = ONWARD;
  protected readonly on = viewChild<ElementRef<HTMLButtonElement>>('on');
  protected readonly shown = viewChild<ElementRef<HTMLElement>>('read');

  protected readonly scaleOf = rulerScale;
  protected readonly write = computed(() => {
    const voice = this.#voice.voice();
    const { test } = this.assessment().reading;
    return (figure: number): string => voice.value(test, figure);
  });
  protected readonly say = computed(() => this.#voice.voice().say);
  protected readonly value = computed(() => readingWords(this.assessment().reading, this.#voice.voice()));
  /** A figure for each cell, or words: it takes several lines. */
  protected readonly isLong = computed(() => typeof this.assessment().reading.value !== 'number');
  protected readonly how = computed(() => {
    const { reading } = this.assessment();
    return methodWords(reading, this.#voice.voice());
  });

  /** The reading and not its grade: an answer of the server grades it anew, and moves nothing. */
  readonly #id = computed(() => this.assessment().reading.id);

  constructor() {
    effect(() => {
      this.#id();
      // the next key goes on, or is a digit of the next reading; one Enter too many signs nothing off
      focusOnScreen(() => (this.leadsTo() === 'sign-off' ? this.shown() : this.on())?.nativeElement);
    });
  }
}

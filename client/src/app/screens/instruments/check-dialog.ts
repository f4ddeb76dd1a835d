import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { InstrumentView } from '@tetrad/contracts';
import { OBSERVATIONS, checksOf, isGoodCheck } from '@tetrad/core';
import type { CheckFindings } from '@tetrad/core';
import { Button } from '../../kit/button';
import { Dialog } from '../../kit/dialog';
import { Message } from '../../kit/message';
import { findingWords } from '../../job/finding-words';

/** The daily check of an instrument, one look after the other: the answers go with what it reads today. */
@Component({
  selector: 'tt-check-dialog',
  imports: [Button, Dialog, Message],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog [header]="'Check: ' + instrument().name" (closed)="closed.emit()">
      <div class="look">
        @if (now(); as look) {
          <p class="soft figure">{{ found().length + 1 }} of {{ looks().length }}</p>
          <p class="asks">{{ look.asks }}</p>
          <p>{{ look.how }}</p>
          <div class="findings" role="group" aria-label="What was found">
            @for (finding of look.findings; track finding) {
              <button pButton (click)="answer(look.about, finding)">{{ words(finding) }}</button>
            }
          </div>
          @if (found().length > 0) {
            <button pButton kind="bare" class="soft" (click)="back()">Back</button>
          }
        } @else {
          @if (isGood()) {
            <p class="asks">All as it should be.</p>
          } @else {
            <tt-message
              >Not as it should be: what it reads is doubted by the judge. Mend it, or read with another.</tt-message
            >
          }
          <ul>
            @for (entry of found(); track entry[0]) {
              <li>{{ names[entry[0]].name }}: {{ words(entry[1]) }}</li>
            }
          </ul>
          <div class="findings">
            <button pButton kind="main" (click)="done.emit(findings())">Keep it for today</button>
            <button pButton kind="bare" (click)="back()">Back</button>
          </div>
        }
      </div>
    </tt-dialog>
  `,
  styles: `
    .look {
      display: grid;
      gap: 12px;
      width: min(480px, calc(100vw - 72px));
      min-height: 240px;
      align-content: start;
      justify-items: start;
    }
    .asks {
      font-size: var(--text-2xl);
      font-weight: 600;
      line-height: 1.2;
    }
    .findings {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
    }
    .findings .kit-button {
      min-height: 56px;
      min-width: 128px;
    }
    .findings .kit-button::first-letter {
      text-transform: uppercase;
    }
    ul {
      margin: 0;
      padding-left: 20px;
    }
  `,
})
export class CheckDialog {
  readonly instrument = input.required<InstrumentView>();
  readonly done = output<CheckFindings>();
  readonly closed = output();
  protected readonly names = OBSERVATIONS;
  protected readonly words = findingWords;
  protected readonly found = signal<readonly (readonly [about: keyof CheckFindings, finding: string])[]>([]);
  protected readonly looks = computed(() =>
    checksOf(this.instrument().kind).map((about) => {
      const { asks, place, findings } = OBSERVATIONS[about];
      return { about: about as keyof CheckFindings, asks, how: place.how, findings };
    }),
  );
  protected readonly now = computed(() => this.looks()[this.found().length] ?? null);
  protected readonly findings = computed((): CheckFindings => Object.fromEntries(this.found()));
  protected readonly isGood = computed(() => isGoodCheck(this.findings()));

  protected answer(about: keyof CheckFindings, finding: string): void {
    this.found.update((before) => [...before, [about, finding]]);
  }
  protected back(): void {
    this.found.update((before) => before.slice(0, -1));
  }
}

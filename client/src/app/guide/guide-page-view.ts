import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { LAST_WORD } from '@tetrad/core/guide';
import type { GuidePage } from '@tetrad/core/guide';
import { CircuitDrawing } from '../circuit/circuit-drawing';
import { Button } from '../kit/button';

/** A page of the guide: cautions first, then the drawing and the sections. */
@Component({
  selector: 'tt-guide-page',
  imports: [Button, CircuitDrawing, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let now = page();
    @if (now.cautions.length > 0) {
      <section class="cautions" aria-label="Cautions">
        <h2>Caution</h2>
        <ul>
          @for (caution of now.cautions; track caution) {
            <li>{{ caution }}</li>
          }
        </ul>
      </section>
    }
    <div class="parts" [class.drawn]="now.drawing !== null">
      @if (now.drawing; as test) {
        <tt-circuit class="drawing" [test]="test" />
      }
      @for (section of sections(); track section.title) {
        <section>
          <h2>{{ section.title }}</h2>
          <ul [class.ordered]="section.isOrdered">
            @for (line of section.lines; track $index) {
              <li>
                {{ line.text }}
                @for (link of line.links; track link.id) {
                  @if (isInPlace()) {
                    <button pButton kind="link" (click)="followed.emit(link.id)">{{ link.title }}</button>
                  } @else {
                    <a [routerLink]="['/guide', link.id]">{{ link.title }}</a>
                  }
                }
              </li>
            }
          </ul>
        </section>
      }
    </div>
    <p class="soft">{{ lastWord }}</p>
  `,
  styleUrl: './guide-page-view.css',
})
export class GuidePageView {
  readonly page = input.required<GuidePage>();
  /** The titles of all pages, by id. */
  readonly titles = input.required<ReadonlyMap<string, string>>();
  /** Links change the page here, and not the address. */
  readonly isInPlace = input(false);
  readonly followed = output<string>();
  protected readonly lastWord = LAST_WORD;
  protected readonly sections = computed(() =>
    this.page().sections.map(({ title, lines, isOrdered = false }) => ({
      title,
      isOrdered,
      lines: lines.map(({ text, to = [] }) => {
        const links = to.map((id) => ({ id, title: this.titles().get(id) ?? id }));
        // a line that is the name of its page is the link itself
        return links.length === 1 && links[0]!.title === text ? { text: '', links } : { text, links };
      }),
    })),
  );
}

import type { ElementRef } from '@angular/core';
import {
  ApplicationRef,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { GUIDE_GROUPS, guideSearch } from '@tetrad/core/guide';
import type { GuidePage } from '@tetrad/core/guide';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../kit/button';
import { Field } from '../../kit/field';
import { GuidePageView } from '../../guide/guide-page-view';
import { GuidePages } from '../../guide/guide-pages';
import { Empty } from '../../kit/states';

const FIRST = 'safety';

/** The practice of the trade, page by page: found by words, printed one by one or whole. */
@Component({
  selector: 'tt-guide',
  imports: [Button, Empty, Field, GuidePageView, InputText, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="contents no-print" [class.away]="page() !== undefined">
      <div class="name">
        <h1>Guide</h1>
        <button pButton kind="bare" (click)="print(true)">Print all</button>
      </div>
      <tt-field label="Search the guide" [quiet]="true">
        <input
          #find
          pInputText
          type="search"
          placeholder="Search the guide"
          maxlength="80"
          [value]="words()"
          (input)="words.set(find.value)"
        />
      </tt-field>
      <nav aria-label="Pages of the guide">
        @for (group of contents(); track group.name) {
          <h2>{{ group.name }}</h2>
          <ul>
            @for (entry of group.pages; track entry.id) {
              <li>
                <a
                  [routerLink]="['/guide', entry.id]"
                  [class.here]="entry.id === shown().id"
                  [attr.aria-current]="entry.id === shown().id ? 'page' : null"
                  >{{ entry.title }}</a
                >
              </li>
            }
          </ul>
        } @empty {
          <tt-empty [says]="'No page has “' + words() + '”.'" />
        }
      </nav>
    </div>
    <article #article tabindex="-1" [class.away]="page() === undefined" [attr.aria-label]="shown().title">
      <div class="head no-print">
        <a pButton kind="bare" class="back" routerLink="/guide">All pages</a>
        <button pButton kind="bare" (click)="print(false)">Print this page</button>
      </div>
      @for (one of printed(); track one.id) {
        <section class="page">
          <p class="soft group">{{ one.group }}</p>
          <h1 class="title">{{ one.title }}</h1>
          <tt-guide-page [page]="one" [titles]="book().titles" />
        </section>
      }
    </article>
  `,
  styleUrl: './guide.css',
})
export class Guide {
  readonly #app = inject(ApplicationRef);
  readonly #pages = inject(GuidePages);
  /** The page at hand, from the address. */
  readonly page = input<string>();
  protected readonly words = signal('');
  readonly #isWhole = signal(false);
  protected readonly article = viewChild.required<ElementRef<HTMLElement>>('article');

  protected readonly book = this.#pages.usual;
  readonly #search = computed(() => guideSearch(this.book().pages));
  protected readonly shown = computed((): GuidePage => {
    const { pages } = this.book();
    return pages.find(({ id }) => id === (this.page() ?? FIRST)) ?? pages[0]!;
  });
  /** What stands in the article: the page at hand, or all while the whole guide is printed. */
  protected readonly printed = computed(() => (this.#isWhole() ? this.book().pages : [this.shown()]));
  /** Pages by group; with words, those that hold them, the best first. */
  protected readonly contents = computed(() => {
    const { pages } = this.book();
    const words = this.words().trim();
    if (words === '') return groupsOf(pages);
    const found = this.#search()(words).map((id) => pages.find((one) => one.id === id)!);
    return found.length === 0 ? [] : [{ name: `${found.length} found`, pages: found }];
  });

  constructor() {
    effect(() => {
      this.shown();
      this.article().nativeElement.scrollTo?.({ top: 0 });
    });
  }

  protected print(isWhole: boolean): void {
    this.#isWhole.set(isWhole);
    this.#app.tick();
    globalThis.print();
    this.#isWhole.set(false);
  }
}

const groupsOf = (pages: readonly GuidePage[]) =>
  GUIDE_GROUPS.map((name) => ({ name, pages: pages.filter(({ group }) => group === name) }));

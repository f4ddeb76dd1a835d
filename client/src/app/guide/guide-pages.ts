import { Injectable, computed, inject } from '@angular/core';
import { BALANCED } from '@tetrad/core';
import type { CriteriaSet } from '@tetrad/core';
import { guidePages } from '@tetrad/core/guide';
import type { GuidePage } from '@tetrad/core/guide';
import { Sentences } from '../device/sentences';

export interface GuideBook {
  readonly pages: readonly GuidePage[];
  readonly titles: ReadonlyMap<string, string>;
}

/** The guide with figures as this device shows them; made once for a limit set. */
@Injectable({ providedIn: 'root' })
export class GuidePages {
  readonly #voice = inject(Sentences).voice;
  /** With the limits and costs of the set that ships as the usual one. */
  readonly usual = computed(() => this.of(BALANCED));

  of(criteria: CriteriaSet): GuideBook {
    const pages = guidePages(criteria, this.#voice());
    return { pages, titles: new Map(pages.map(({ id, title }) => [id, title])) };
  }
}

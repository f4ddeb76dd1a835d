/** The guide: the practice of the trade in our own words, made of the trade's own files. */
import type { CriteriaSet } from '../criteria/criteria-set';
import type { Voice } from '../format/message';
import { actPages } from './act-pages';
import { faultPages } from './fault-pages';
import { GUIDE_GROUPS } from './guide-page';
import type { GuidePage } from './guide-page';
import { observationPages } from './observation-pages';
import { decisionPage, instrumentPages, orderPage, safetyPage } from './other-pages';
import { testPages } from './test-pages';

export { GUIDE_GROUPS } from './guide-page';
export type { GuideGroup, GuideLine, GuidePage, GuideSection } from './guide-page';
export { LAST_WORD } from './other-pages';
export { pageOfStep } from './page-of-step';
export { guideSearch } from './search';

/** Every page, in the order of the guide. @param criteria Whose limits and costs are told. @param voice How figures are told. */
export function guidePages(criteria: CriteriaSet, voice: Voice): readonly GuidePage[] {
  const pages = [
    ...[safetyPage(), orderPage(), decisionPage(criteria, voice)],
    ...[...actPages(voice), ...observationPages(voice), ...testPages(criteria, voice)],
    ...[...instrumentPages(), ...faultPages()],
  ];
  return GUIDE_GROUPS.flatMap((group) => pages.filter((page) => page.group === group));
}

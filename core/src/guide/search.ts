/** Finds pages of the guide by words: also by the beginning of a word, and past one slip of a finger. */
import MiniSearch from 'minisearch';
import type { GuidePage } from './guide-page';

/** Slips are forgiven in words of at least this length. */
const FUZZY_FROM = 5;
const TITLE_COUNTS = 4;

/** @returns what gives the ids of the pages that hold all words, the best first. */
export function guideSearch(pages: readonly GuidePage[]): (words: string) => readonly string[] {
  const index = new MiniSearch<{ id: string; title: string; text: string }>({
    fields: ['title', 'text'],
    searchOptions: {
      boost: { title: TITLE_COUNTS },
      combineWith: 'AND',
      prefix: true,
      fuzzy: (term) => (term.length >= FUZZY_FROM ? 1 : false),
    },
  });
  index.addAll(
    pages.map(({ id, title, group, cautions, sections }) => ({
      id,
      title,
      text: [group, ...cautions, ...sections.flatMap((one) => [one.title, ...one.lines.map(({ text }) => text)])].join(
        ' ',
      ),
    })),
  );
  return (words) => index.search(words).map(({ id }) => String(id));
}

import type { Judgement } from '../format/judgement-shape';
import { TEST_NAMES } from '../trade/tables';
import { ENGLISH } from '../words/en/voice';
import { latest } from './situation';
import type { Situation } from './situation';
import type { Survey } from './survey';

/** The same tests before and after a repair, side by side; void readings of neither pass count. */
export function comparePasses({ situation: after, before }: Survey): NonNullable<Judgement['comparison']> {
  if (!before) return [];
  return TEST_NAMES.flatMap((test) => {
    const first = latest(before, test);
    const second = latest(after, test);
    if (!first && !second) return [];
    const graded = second && after.graded.get(second.id);
    return [
      {
        test,
        before: first?.value ?? null,
        after: second?.value ?? null,
        limit: limitWords(second ? after : before, (second ?? first)!.id),
        solved: graded?.grade === 'within' || graded?.grade === 'near',
      },
    ];
  });
}

const limitWords = (situation: Situation, id: string): string => {
  const bound = situation.graded.get(id)?.resolved?.bound;
  return bound ? ENGLISH.say(bound) : '';
};

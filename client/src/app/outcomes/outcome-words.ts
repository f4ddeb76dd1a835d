/** How outcomes are told. */
import { PARTS } from '@tetrad/core';
import type { Cause, ComplaintState } from '@tetrad/core/outcomes';

export const COMPLAINT_WORDS: Readonly<Record<ComplaintState, string>> = {
  gone: 'gone',
  back: 'still there or back',
};
export const CAUSE_WORDS: Readonly<Record<Cause, string>> = {
  ...(Object.fromEntries(PARTS.map((part) => [part, part])) as Record<(typeof PARTS)[number], string>),
  other: 'something else',
  nothing: 'nothing was wrong',
};

/** An outcome in a few words. */
export const outcomeWords = ({
  complaint,
  cause,
}: {
  readonly complaint: ComplaintState | null;
  readonly cause: Cause | null;
}): string => {
  const state = complaint === null ? 'not recorded' : COMPLAINT_WORDS[complaint];
  return cause === null ? state : `${state}; at fault: ${CAUSE_WORDS[cause]}`;
};

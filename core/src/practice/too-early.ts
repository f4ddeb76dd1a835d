/** Whether a step was taken before something that had to come first. */
import type { Case } from '../format/case-shape';
import type { StepName } from '../format/names';
import { survey } from '../judge/grade/survey';
import { blockedSteps } from '../judge/next/prerequisites';
import { englishVoice } from '../words/en/voice';

/** @param before The case as it stood then. @returns why, in a sentence; null where nothing had to come first. */
export function tooEarlyFor(step: StepName, before: Case): string | null {
  const blocked = blockedSteps(survey(before).gradedCase, [step]).get(step);
  return blocked === undefined ? null : englishVoice().say(blocked.because);
}

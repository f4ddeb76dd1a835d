import { OBSERVATIONS } from '@tetrad/core';
import type { ObservationName } from '@tetrad/core';

/** A finding for people. */
export const findingWords = (finding: string): string => finding.replaceAll('-', ' ');
export const findingsOf = (about: ObservationName): readonly string[] => OBSERVATIONS[about].findings;

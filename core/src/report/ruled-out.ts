/** The other causes that are ruled out, as they are listed: several excuses may be one cause in words. */
import type { Decision } from '../format/judgement-shape';
import type { ObservationName } from '../format/names';

/** A cause, and everything that excludes it. */
export interface RuledOutCause {
  readonly cause: string;
  /** Ids of readings, each once. */
  readonly readings: readonly string[];
  readonly observations: readonly ObservationName[];
}

/** @returns each cause once, in the order of the decision. */
export function ruledOutCauses({ ruledOut = [] }: Pick<Decision, 'ruledOut'>): readonly RuledOutCause[] {
  const byCause = new Map<string, { readonly readings: Set<string>; readonly observations: Set<ObservationName> }>();
  for (const { cause, readings, observations = [] } of ruledOut) {
    const entry = byCause.get(cause) ?? { readings: new Set<string>(), observations: new Set<ObservationName>() };
    byCause.set(cause, entry);
    for (const id of readings) entry.readings.add(id);
    for (const about of observations) entry.observations.add(about);
  }
  return [...byCause].map(([cause, { readings, observations }]) => ({
    cause,
    readings: [...readings],
    observations: [...observations],
  }));
}

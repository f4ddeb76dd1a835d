/** A page of the guide as data: for the screen, for print and for the search alike. */
import type { TestName } from '../format/names';
import { ROUTE_GROUPS } from '../trade/route';

/** Parts of the guide in the order in which they are read. */
export const GUIDE_GROUPS = ['Safety and order', ...ROUTE_GROUPS, 'Instruments', 'Faults'] as const;
export type GuideGroup = (typeof GUIDE_GROUPS)[number];

export interface GuideLine {
  readonly text: string;
  /** Pages that it leads to, by id, in the order in which they are offered. */
  readonly to?: readonly string[];
}
export interface GuideSection {
  readonly title: string;
  readonly lines: readonly GuideLine[];
  /** Its lines are steps, one after the other. */
  readonly isOrdered?: true;
}
export interface GuidePage {
  /** Its address: the name of the test, observation, fault or kind of instrument. */
  readonly id: string;
  readonly group: GuideGroup;
  readonly title: string;
  /** Read before anything else. */
  readonly cautions: readonly string[];
  /** The test whose leads are drawn; null where there are none. */
  readonly drawing: TestName | null;
  readonly sections: readonly GuideSection[];
}

/** A section of plain lines; none where there is nothing to say. */
export const section = (
  title: string,
  lines: readonly (string | GuideLine | null | undefined)[],
  isOrdered = false,
): readonly GuideSection[] => {
  const told = lines.flatMap((line): GuideLine[] => {
    if (!line) return [];
    return [typeof line === 'string' ? { text: line } : line];
  });
  return told.length === 0 ? [] : [{ title, lines: told, ...(isOrdered && { isOrdered: true }) }];
};

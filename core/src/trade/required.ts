/**
 * What must be known before nothing may be found, and before a part may be kept. Each test and observation says in its
 * own file who asks for it; the judge gathers the lists (docs/judging.md, “Nothing found”).
 */
import type { GradedCase } from '../evidence/case-context';
import type { Reading } from '../format/reading-shape';
import type { JudgedPart, SymptomName } from '../format/words';
import type { SymptomKind } from './symptoms';

/** What any one of several tests tells. */
export type SharedRequirement = 'health' | 'ripple' | 'output' | 'endurance';

/** Who asks for a step before a vehicle may be called sound. */
export interface Requirement {
  /** Kinds of complaint; `none` is a vehicle without one, and one that had parts replaced. */
  readonly by?: readonly SymptomKind[];
  /** Single symptoms. */
  readonly bySymptoms?: readonly SymptomName[];
  /** Any one test of those that name the same is enough; absent where this one is needed itself. */
  readonly as?: SharedRequirement;
  /** Among those the lowest is asked for first. */
  readonly choice?: number;
  /** Only under these loads. */
  readonly loads?: 'on' | 'off';
  /** Only where this holds. */
  readonly when?: (gradedCase: GradedCase) => boolean;
}

/** What must be known of each part before it may be kept: one test of each is enough. */
export const KEPT_BY = {
  battery: ['charge', 'health'],
  starter: ['cranking', 'demand'],
  alternator: ['charging', 'ripple'],
  connections: ['positive-side', 'ground-side'],
} as const satisfies Record<JudgedPart, readonly string[]>;
export type KeptBy = (typeof KEPT_BY)[JudgedPart][number];

/** What a test tells of a part that is to be kept. */
export interface Keeps {
  readonly as: KeptBy;
  /** Among those that tell the same the lowest is asked for first. */
  readonly choice?: number;
  /** It is what the part gives or takes itself: outside its limit it keeps nothing, whoever is to blame for it. */
  readonly mustPass?: true;
  /** Only a reading of which this holds. */
  readonly when?: (reading: Reading, gradedCase: GradedCase) => boolean;
}

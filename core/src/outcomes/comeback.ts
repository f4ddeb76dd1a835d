/** A vehicle that comes back with the complaint it was signed off with. */
import type { SymptomName } from '../format/words';

/** For so long after a sign-off the same complaint counts as a comeback, days. */
export const COMEBACK_DAYS = 90;
const DAY_MS = 86_400_000;

/** What is told of a vehicle and is no complaint. */
export const NO_COMPLAINT: readonly SymptomName[] = ['cranks-normally'];

/** The complaints among what was told of a vehicle. */
export const complaintsIn = (symptoms: readonly SymptomName[]): readonly SymptomName[] =>
  symptoms.filter((symptom) => !NO_COMPLAINT.includes(symptom));

/** The complaints that two visits share, in the order of the later one. */
export const sharedComplaints = (
  earlier: readonly SymptomName[],
  later: readonly SymptomName[],
): readonly SymptomName[] => complaintsIn(later).filter((symptom) => earlier.includes(symptom));

/** One visit as far as comebacks go. */
export interface ComplaintVisit {
  readonly symptoms: readonly SymptomName[];
  /** ISO 8601. */
  readonly openedAt: string;
  /** ISO 8601; null while it is not signed off. */
  readonly signedAt: string | null;
}

export interface Comeback<Visit extends ComplaintVisit> {
  /** The visit that was signed off. */
  readonly earlier: Visit;
  /** Whole days between its sign-off and the later visit. */
  readonly days: number;
  readonly symptoms: readonly SymptomName[];
}

/**
 * The newest earlier visit that was signed off at most `COMEBACK_DAYS` before this one was opened, with a complaint that both
 * have; null where there is none.
 *
 * @param visits Visits of the same vehicle, in any order; the visit itself may be among them.
 */
export function comebackOf<Visit extends ComplaintVisit>(
  visit: Omit<ComplaintVisit, 'signedAt'>,
  visits: readonly Visit[],
): Comeback<Visit> | null {
  const openedAt = Date.parse(visit.openedAt);
  const found = visits.flatMap((earlier): (Comeback<Visit> & { readonly agoMs: number })[] => {
    if (earlier.signedAt === null || Date.parse(earlier.openedAt) >= openedAt) return [];
    const agoMs = openedAt - Date.parse(earlier.signedAt);
    const symptoms = sharedComplaints(earlier.symptoms, visit.symptoms);
    if (agoMs < 0 || agoMs > COMEBACK_DAYS * DAY_MS || symptoms.length === 0) return [];
    return [{ earlier, agoMs, days: Math.floor(agoMs / DAY_MS), symptoms }];
  });
  const newest = found.sort((a, b) => a.agoMs - b.agoMs)[0];
  return newest ? { earlier: newest.earlier, days: newest.days, symptoms: newest.symptoms } : null;
}

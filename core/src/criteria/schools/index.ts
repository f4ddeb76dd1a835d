/** The sets that ship. A shop copies one and edits it. */
import type { CriteriaSet } from '../criteria-set';
import { BALANCED } from './balanced';
import { CAREFUL } from './careful';
import { HEAVY_DUTY } from './heavy-duty';
import { QUICK_CHECK } from './quick-check';

export { BALANCED, CAREFUL, HEAVY_DUTY, QUICK_CHECK };

export const SCHOOLS: readonly CriteriaSet[] = [BALANCED, QUICK_CHECK, CAREFUL, HEAVY_DUTY];

/** @returns the shipped set of that id, or undefined. */
export const schoolById = (id: string): CriteriaSet | undefined => SCHOOLS.find((set) => set.id === id);

import type { Part } from '../format/words';

/** How each part is put right: by a new one, or by a repair. */
export const MENDED_BY: Readonly<Record<Part, 'replace' | 'repair'>> = {
  battery: 'replace',
  starter: 'replace',
  alternator: 'replace',
  belt: 'replace',
  connections: 'repair',
  control: 'repair',
  mechanical: 'repair',
  drain: 'repair',
};

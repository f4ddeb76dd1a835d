/** A maker's figures taken over into a label: what was typed or read from the battery itself stays. */
import type { System } from '@tetrad/core';
import { BLANK_DRAFT, draftOf } from '../label/system-draft';
import type { SystemDraft } from '../label/typed-system';

/** The fields of `system` that nobody has filled in yet. */
export function unfilled(typed: SystemDraft, system: System): Partial<SystemDraft> {
  const own = draftOf(system);
  const fields = (Object.keys(own) as (keyof SystemDraft)[]).filter(
    (field) => typed[field] === BLANK_DRAFT[field] && own[field] !== BLANK_DRAFT[field],
  );
  return Object.fromEntries(fields.map((field) => [field, own[field]]));
}

import { brokenJson } from './broken-json';
import type { Misfit } from './misfit';
import { show } from './shape';

export type ParsedJson =
  { readonly ok: true; readonly document: unknown } | { readonly ok: false; readonly misfits: readonly Misfit[] };

/** A text as a JSON document; of one that is none the misfit tells where it stops being one. */
export function parseJson(json: string): ParsedJson {
  try {
    return { ok: true, document: JSON.parse(json) };
  } catch {
    const found = `${show(json)} (${brokenJson(json)})`;
    return { ok: false, misfits: [{ path: '$', found, wanted: { code: 'json', with: {} } }] };
  }
}

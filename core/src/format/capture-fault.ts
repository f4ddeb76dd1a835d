/** Why a recording cannot be read: typed data; the words are made from it (`words/en`). */
export type CaptureFault =
  | { readonly code: 'empty' }
  | { readonly code: 'too-large'; readonly bytes: number; readonly most: number }
  | { readonly code: 'not-text'; readonly byte: number; readonly looksLike: string | null }
  | { readonly code: 'no-rows'; readonly line: number }
  | { readonly code: 'one-column'; readonly line: number }
  | { readonly code: 'no-time'; readonly line: number }
  | { readonly code: 'columns'; readonly line: number; readonly found: number; readonly wanted: number }
  | {
      readonly code: 'not-a-number' | 'not-a-time';
      readonly line: number;
      readonly column: number;
      readonly name: string;
      readonly found: string;
    }
  | { readonly code: 'time-backwards' | 'time-stands-still'; readonly line: number; readonly atS: number }
  | { readonly code: 'too-few-samples'; readonly samples: number; readonly least: number }
  | { readonly code: 'too-many-samples'; readonly most: number }
  | { readonly code: 'too-many-channels'; readonly channels: number; readonly most: number }
  | { readonly code: 'gap-too-long'; readonly fromS: number; readonly toS: number }
  | { readonly code: 'empty-channel'; readonly column: number; readonly name: string }
  | { readonly code: 'wav'; readonly byte: number; readonly found: string; readonly wanted: string }
  | { readonly code: 'wav-scale' }
  | { readonly code: 'json'; readonly path: string; readonly found: string; readonly wanted: string }
  | { readonly code: 'no-such-column'; readonly name: string; readonly known: readonly string[] }
  | { readonly code: 'no-volts'; readonly known: readonly string[] }
  | { readonly code: 'silence' };

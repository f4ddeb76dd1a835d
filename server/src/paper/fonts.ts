import { join } from 'node:path';

/** The fonts that are embedded, below the folder of their package; figures use their tabular numerals. */
export const FONTS = {
  plain: join('TTF', 'SourceSans3-Regular.ttf'),
  strong: join('TTF', 'SourceSans3-Semibold.ttf'),
} as const;
export type FontName = keyof typeof FONTS;

import { join } from 'node:path';

/** The fonts that are embedded, below the folder of their package; figures use their tabular numerals. */
export const FONTS = {
  plain: join('400Regular', 'SourceSans3_400Regular.ttf'),
  strong: join('600SemiBold', 'SourceSans3_600SemiBold.ttf'),
} as const;
export type FontName = keyof typeof FONTS;

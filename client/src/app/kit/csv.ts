import { unparse } from 'papaparse';

/** A table as CSV (RFC 4180). What begins like a formula is made text: a spreadsheet would run it. */
export const csvOf = (rows: readonly object[]): string => unparse([...rows], { escapeFormulae: true });

/** The name a case begins with. */
export const CASE_FORMAT = 'tetrad-case/1';

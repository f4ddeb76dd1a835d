/** What is typed at a step of a job and not saved yet: under one key for the bench, and for whoever works out its figure. */

/** @param step The step's key: its name, and its loads where a test has two steps. */
export const keptEntryKey = (job: string | null, step: string): string => `tetrad.entry.${job ?? ''}.${step}`;

/** Puts a figure into the entry of a step, as if it were typed there. */
export const typeInto = (job: string, step: string, text: string): void =>
  sessionStorage.setItem(keptEntryKey(job, step), JSON.stringify({ typed: [text] }));

/**
 * Which jobs one may see who sees only one's own and those that nobody has.
 *
 * @param job The name of the job's row in the statement.
 * @param of The value that holds the person's name; null for who sees all.
 */
export const seenBy = (job: string, of: string): string =>
  `(${of}::text IS NULL OR ${job}.assignee IS NULL OR ${job}.assignee = ${of}::text)`;

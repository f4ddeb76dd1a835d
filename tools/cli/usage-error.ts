/** Words on the command line that make no sense: exit status 2. */
export class UsageError extends Error {}

/** An input that cannot be used, or a command that could not be carried out: exit status 1. */
export class InputError extends Error {}

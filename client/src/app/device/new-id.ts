import { v4 } from 'uuid';

/** A new id for a record. The browser's own source is closed to pages on plain HTTP, as in a workshop's network. */
export const newId = (): string => v4();

/** Ids that the compiler tells apart: one of a shop cannot be given where one of a job is wanted. */
declare const kind: unique symbol;
type Id<Kind extends string> = string & { readonly [kind]: Kind };

export type ShopId = Id<'shop'>;
export type JobId = Id<'job'>;
export type ReadingId = Id<'reading'>;

/** Takes a text for an id of a kind, where it comes in: from an address, a row, a file or a command line. */
export const shopId = (text: string): ShopId => text as ShopId;
export const jobId = (text: string): JobId => text as JobId;
export const readingId = (text: string): ReadingId => text as ReadingId;

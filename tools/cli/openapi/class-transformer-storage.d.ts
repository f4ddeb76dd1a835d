/** What class-transformer knows of nested classes: it tells it nowhere else. */
declare module 'class-transformer/cjs/storage.js' {
  export const defaultMetadataStorage: unknown;
}

/** Why a shop could not be moved, in words for whoever runs the command. */
export class ArchiveError extends Error {
  override readonly name = 'ArchiveError';
}

import type { ResolvedLimit } from '../criteria/resolved-limit';
import type { Reading } from '../format/reading-shape';
import type { Grade } from '../format/words';
import type { Message } from '../format/message';

/** A reading, graded. */
export interface Assessment {
  readonly id: string;
  readonly reading: Reading;
  readonly grade: Grade;
  readonly because: Message;
  /** The limit that decided; null where none applied. */
  readonly resolved: ResolvedLimit | null;
}

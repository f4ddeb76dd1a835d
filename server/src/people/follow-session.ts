/** A stream goes on no longer than the session it was opened in. */
import type { Request } from 'express';
import type { EventStream } from '../platform/live/event-stream';
import type { SessionStore, SignedIn } from './session-store';

/** Whether the session has ended, or its person may see less now, is looked at so often, ms. */
const LOOK_MS = 15_000;

/** @param onSeen Told who it is, as it is now. */
export function followSession(
  store: SessionStore,
  stream: EventStream,
  request: Request,
  onSeen: (signedIn: SignedIn) => void = () => undefined,
): void {
  const id = request.sessionID;
  const look = setInterval(
    () =>
      void store.find(id).then(
        (found) => {
          if (found?.signedIn) onSeen(found.signedIn);
          else stream.end();
        },
        () => undefined,
      ),
    LOOK_MS,
  );
  stream.onClose(() => clearInterval(look));
}

import { Observable, map } from 'rxjs';

const AGAIN_MS = 2000;
/** A page that nobody looks at lets its stream go: browsers hold only six to one address, over all pages. */
const HIDDEN_MS = 60_000;

/**
 * The named events of a server-sent stream, for as long as somebody listens. The browser joins a lost
 * stream again by itself; a refused one is tried again here, and one let go is joined when the page is
 * looked at again.
 */
export const eventStream = <T>(url: string, event: string): Observable<T> =>
  eventStreams<Record<string, T>>(url, [event]).pipe(map(({ data }) => data));

/** The same for several kinds of events of one stream. */
export function eventStreams<E extends object>(
  url: string,
  events: readonly (keyof E & string)[],
): Observable<{ [K in keyof E & string]: { readonly event: K; readonly data: E[K] } }[keyof E & string]> {
  return new Observable((subscriber) => {
    let source: EventSource | null = null;
    let again: ReturnType<typeof setTimeout> | undefined;
    let hiding: ReturnType<typeof setTimeout> | undefined;
    const close = (): void => {
      clearTimeout(again);
      source?.close();
      source = null;
    };
    const open = (): void => {
      const opened = new EventSource(url);
      source = opened;
      for (const event of events)
        opened.addEventListener(event, (message: MessageEvent<string>) =>
          subscriber.next({ event, data: JSON.parse(message.data) as never }),
        );
      opened.addEventListener('error', () => {
        if (opened === source && opened.readyState === EventSource.CLOSED) again = setTimeout(open, AGAIN_MS);
      });
    };
    const onVisibility = (): void => {
      clearTimeout(hiding);
      if (document.hidden) hiding = setTimeout(close, HIDDEN_MS);
      else if (source === null) open();
    };
    document.addEventListener('visibilitychange', onVisibility);
    open();
    return () => {
      document.removeEventListener('visibilitychange', onVisibility);
      clearTimeout(hiding);
      close();
    };
  });
}

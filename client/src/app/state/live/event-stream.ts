import { Observable } from 'rxjs';

const AGAIN_MS = 2000;

/**
 * The named events of a server-sent stream, for as long as somebody listens. The browser joins a lost
 * stream again by itself; a refused one is tried again here.
 */
export function eventStream<T>(url: string, event: string): Observable<T> {
  return new Observable((subscriber) => {
    let source: EventSource;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const open = (): void => {
      source = new EventSource(url);
      source.addEventListener(event, (message: MessageEvent<string>) => subscriber.next(JSON.parse(message.data) as T));
      source.addEventListener('error', () => {
        if (source.readyState === EventSource.CLOSED) timer = setTimeout(open, AGAIN_MS);
      });
    };
    open();
    return () => {
      clearTimeout(timer);
      source.close();
    };
  });
}

/** An instrument on a serial port of this computer, USB or Bluetooth: the same lines as over the server. */
import { InstrumentDialogue, LineReader } from '@tetrad/core';
import type { InstrumentFunction, LiveState } from '@tetrad/core';
import { Observable } from 'rxjs';
import type { SerialPortLike } from './serial-port';

/** As the server tells it of an instrument of its own. */
export type SerialNews = LiveState & { readonly identity: string | null };

const AGAIN_MS = 2000;

/**
 * Reads one function for as long as somebody listens; begins anew where the instrument was lost.
 *
 * @param port Open already.
 * @param scale Of a clamp that gives volts: its millivolts for each ampere.
 */
export function serialReadings(
  port: SerialPortLike,
  use: InstrumentFunction,
  scale: number | null,
): Observable<SerialNews> {
  return new Observable((told) => {
    const encoder = new TextEncoder();
    let dialogue: InstrumentDialogue | null = null;
    let hasEnded = false;
    let stopAgain = (): void => undefined;
    const writer = port.writable?.getWriter();
    const reader = port.readable?.getReader();
    const tell = (state: LiveState): void => told.next({ ...state, identity: dialogue?.identity ?? null });

    const begin = (): void => {
      tell({ state: 'connecting' });
      dialogue = new InstrumentDialogue(
        use,
        { send: (line) => void writer?.write(encoder.encode(`${line}\n`)).catch(() => undefined), after: later },
        {
          onState: tell,
          onLost: (why) => {
            tell({ state: 'lost', why });
            stopAgain = later(AGAIN_MS, begin);
          },
        },
        scale,
      );
      dialogue.begin();
    };
    const lines = new LineReader({
      onLine: (line) => dialogue?.hear(line),
      onGarbage: () => dialogue?.hearGarbage(),
      onFlood: () => tell({ state: 'lost', why: 'it says more than anybody can read' }),
    });
    const listen = async (): Promise<void> => {
      // one byte is one character, as the instrument sends them
      const decoder = new TextDecoder('latin1');
      for (;;) {
        const { value, done } = await reader!.read();
        if (done || hasEnded) break;
        lines.push(decoder.decode(value, { stream: true }), performance.now());
      }
    };

    if (!writer || !reader) {
      tell({ state: 'lost', why: 'the port is closed' });
      return undefined;
    }
    listen()
      .catch(() => undefined)
      .finally(() => {
        dialogue?.end();
        if (!hasEnded) tell({ state: 'lost', why: 'the port was unplugged' });
      });
    begin();
    return () => {
      hasEnded = true;
      stopAgain();
      dialogue?.end();
      writer.releaseLock();
      void reader.cancel().catch(() => undefined);
      reader.releaseLock();
    };
  });
}

const later = (ms: number, work: () => void): (() => void) => {
  const timer = setTimeout(work, ms);
  return () => clearTimeout(timer);
};

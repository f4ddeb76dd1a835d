/**
 * Every key there is, in one table: what is pressed, what is shown on the sheet, what it does. None of them
 * belongs to a browser's menus (Alt with D, E, F, S, B, T, H or V, function keys) or to a screen reader.
 */
export const KEY_TABLE = {
  Anywhere: {
    keys: { press: '?', shown: '?', says: 'this sheet' },
    floor: { press: 'Alt+KeyJ', shown: 'Alt J', says: 'the job list' },
    theme: { press: 'Alt+KeyY', shown: 'Alt Y', says: 'light or dark' },
    settings: { press: 'Alt+KeyK', shown: 'Alt K', says: 'settings' },
    who: { press: 'Alt+KeyU', shown: 'Alt U', says: 'switch user by PIN' },
  },
  'Job list': {
    newJob: { press: 'Alt+KeyN', shown: 'Alt N', says: 'new job' },
    filter: { press: '/', shown: '/', says: 'filter' },
    down: { press: 'ArrowDown', shown: '↓', says: 'the next job' },
    up: { press: 'ArrowUp', shown: '↑', says: 'the job before' },
  },
  Bench: {
    next: { press: 'Alt+KeyN', shown: 'Alt N', says: 'what the judge asks for next' },
    again: { press: 'Alt+KeyR', shown: 'Alt R', says: 'read this step again' },
    undo: { press: 'Alt+KeyZ', shown: 'Alt Z', says: 'undo what was done last' },
    accept: { press: 'Alt+KeyA', shown: 'Alt A', says: 'the caution is understood' },
    count: { press: 'Alt+KeyC', shown: 'Alt C', says: 'count down a crank' },
    cannot: { press: 'Alt+KeyX', shown: 'Alt X', says: 'not possible' },
    wheel: { press: 'Alt+KeyW', shown: 'Alt W', says: 'the phone at the wheel' },
    compare: { press: 'Alt+KeyL', shown: 'Alt L', says: 'the last visit beside this one' },
    signOff: { press: 'Alt+KeyG', shown: 'Alt G', says: 'sign off' },
    guide: { press: 'Alt+KeyI', shown: 'Alt I', says: 'the guide at this step' },
    report: { press: 'Alt+KeyP', shown: 'Alt P', says: 'the report' },
    down: { press: 'ArrowDown', shown: '↓', says: 'the next step' },
    up: { press: 'ArrowUp', shown: '↑', says: 'the step before' },
  },
  Captures: {
    closer: { press: '+', shown: '+', says: 'closer, around the cursor' },
    further: { press: '-', shown: '−', says: 'further away' },
    whole: { press: '0', shown: '0', says: 'the whole record' },
    left: { press: 'ArrowLeft', shown: '←', says: 'the cursor to the left' },
    right: { press: 'ArrowRight', shown: '→', says: 'the cursor to the right' },
    back: { press: 'Shift+ArrowLeft', shown: 'Shift ←', says: 'earlier' },
    onward: { press: 'Shift+ArrowRight', shown: 'Shift →', says: 'later' },
    a: { press: 'a', shown: 'A', says: 'move cursor A' },
    b: { press: 'b', shown: 'B', says: 'move cursor B' },
  },
} as const satisfies Record<string, Record<string, KeyRow>>;

interface KeyRow {
  /** As `tinykeys` reads it. */
  readonly press: string;
  readonly shown: string;
  readonly says: string;
}
export type KeyScope = keyof typeof KEY_TABLE;

/** What can be typed where a figure is asked for. */
export const ENTRIES: readonly (readonly [typed: string, means: string])[] = [
  ['Enter', 'save; in an empty entry: on to the next step'],
  ['1 to 9', 'where something is looked at: the finding of that number'],
  ['1 to 9, a to f', 'in a list of several: the entry of that key'],
  ['12.61 or 12,61', 'volts'],
  ['610m', 'thousandths'],
  ['230 mV', 'with its unit'],
  ['70 °F', 'as °C'],
];

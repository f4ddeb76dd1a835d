import { newId } from './new-id';

const KEY = 'tetrad.device';
let known: string | null = null;

/** This browser's own id: what is sent from here is told apart from what others send. */
export function deviceId(): string {
  try {
    known ??= localStorage.getItem(KEY) ?? newId();
    localStorage.setItem(KEY, known);
  } catch {
    known ??= newId(); // a private window keeps nothing: it lasts as long as the page
  }
  return known;
}

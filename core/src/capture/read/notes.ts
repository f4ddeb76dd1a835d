/** What the lines above the rows tell: a sample interval or rate, and the clamp's scale. */
import { clampScaleIn } from './column-names';

export interface Notes {
  readonly intervalS: number | null;
  readonly clampMillivoltsPerAmp: number | null;
}

const INTERVAL =
  /(?:sampl\w*\s*(?:interval|period|time|spacing)|time\s*(?:interval|step|increment|per\s*sample)|interval|increment|\bdt\b|delta\s*t)/i;
const RATE = /(?:sampl\w*\s*(?:rate|frequency|freq)|samples?\s*(?:per|\/)\s*s\w*|\bfs\b|\brate\b)/i;
const SECONDS: Readonly<Record<string, number>> = { s: 1, sec: 1, seconds: 1, ms: 1e-3, us: 1e-6, ns: 1e-9 };
const HERTZ: Readonly<Record<string, number>> = { '': 1, k: 1e3, m: 1e6 };

/** The first number of a text, with a decimal point or comma. */
function numberIn(text: string): { readonly value: number; readonly after: string } | null {
  const match = /[-+]?\d+(?:[.,]\d+)?(?:e[-+]?\d+)?/i.exec(text);
  if (!match) return null;
  return { value: Number(match[0].replace(',', '.')), after: text.slice(match.index + match[0].length) };
}

/** The unit in brackets before the number, or the word after it. */
const unitNear = (before: string, after: string): string => {
  const bracket = /[([]\s*([^)\]]+?)\s*[)\]]/.exec(before);
  const word = bracket?.[1] ?? /^[\s;,\t"]*([a-zµμ/]+)/i.exec(after)?.[1] ?? '';
  return word.replace(/[µμ]/g, 'u').toLowerCase();
};

function intervalIn(line: string): number | null {
  const told = INTERVAL.exec(line);
  if (told) {
    const rest = line.slice(told.index + told[0].length);
    const found = numberIn(rest);
    if (!found || !(found.value > 0)) return null;
    const unit = unitNear(rest.slice(0, rest.length - found.after.length), found.after);
    return found.value * (SECONDS[unit] ?? 1);
  }
  const rate = RATE.exec(line);
  if (!rate) return null;
  const rest = line.slice(rate.index + rate[0].length);
  const found = numberIn(rest);
  if (!found || !(found.value > 0)) return null;
  const unit = unitNear(rest.slice(0, rest.length - found.after.length), found.after);
  return 1 / (found.value * (HERTZ[/^[km](?=hz|s|sa)/.exec(unit)?.[0] ?? ''] ?? 1));
}

/** @param lines The lines above the names. */
export function readNotes(lines: readonly string[]): Notes {
  let intervalS: number | null = null;
  let clampMillivoltsPerAmp: number | null = null;
  for (const line of lines) {
    intervalS ??= intervalIn(line);
    clampMillivoltsPerAmp ??= clampScaleIn(line);
  }
  return { intervalS, clampMillivoltsPerAmp };
}

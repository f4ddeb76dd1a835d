/** Positions in a file, sorted by what stands there: what a cut or a changed byte does depends on that, not on the place. */
export type PositionClass = 'structure' | 'name' | 'text' | 'figure' | 'word' | 'space';

/** Some positions of each class in a JSON text, spread over it. @param each How many of a class. */
export function positionsOf(json: string, each: number): [PositionClass, number][] {
  const byClass = new Map<PositionClass, number[]>();
  const note = (kind: PositionClass, at: number): void => {
    byClass.set(kind, [...(byClass.get(kind) ?? []), at]);
  };
  for (const { 0: token, index } of json.matchAll(/"(?:[^"\\]|\\.)*"(\s*:)?|-?\d[\d.eE+-]*|true|false|null|\s+|./gsu)) {
    const kind: PositionClass = token.startsWith('"')
      ? token.endsWith(':')
        ? 'name'
        : 'text'
      : /^[-\d]/.test(token)
        ? 'figure'
        : /^[tfn]/.test(token)
          ? 'word'
          : /^\s/.test(token)
            ? 'space'
            : 'structure';
    // its first, its middle and its last character
    for (const at of new Set([0, token.length >> 1, token.length - 1])) note(kind, index + at);
  }
  return [...byClass].flatMap(([kind, all]) => {
    const step = Math.max(1, Math.floor(all.length / each));
    return all.filter((_, i) => i % step === 0).map((at): [PositionClass, number] => [kind, at]);
  });
}

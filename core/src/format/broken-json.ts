/** Where a text stops being JSON (RFC 8259): engines tell it in some cases and in words of their own. */

/** One token, with the white space before it. */
const TOKEN =
  /[ \t\n\r]*(?:([[\]{},:])|("[ !#-[\]-\u{10ffff}]*(?:\\(?:["\\/bfnrt]|u[\da-fA-F]{4})[ !#-[\]-\u{10ffff}]*)*")|(-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?(?![\d.eE+-])|(?:true|false|null)\b))/uy;
const SPACE = /[ \t\n\r]*/y;

/** What may come next: a value, the first or a further name of an object, its colon, or what follows a value. */
type Awaited = 'value' | 'value-or-end' | 'name-or-end' | 'name' | 'colon' | 'more';

/** The offset of the first character that cannot stand there; the length of a text that ends too early. */
function firstFault(text: string): number {
  const open: ('{' | '[')[] = [];
  let awaited: Awaited = 'value';
  let at = 0;
  for (;;) {
    SPACE.lastIndex = at;
    const begins = at + SPACE.exec(text)![0].length;
    if (awaited === 'more' && open.length === 0) return begins; // whole: anything further is the fault
    TOKEN.lastIndex = at;
    const [found, sign, string] = TOKEN.exec(text) ?? [];
    if (found === undefined) return begins;
    at += found.length;
    const isScalar = sign === undefined;
    const inside = open.at(-1);
    if (awaited === 'colon' && sign === ':') awaited = 'value';
    else if ((awaited === 'name' || awaited === 'name-or-end') && string !== undefined) awaited = 'colon';
    else if ((awaited === 'value' || awaited === 'value-or-end') && isScalar) awaited = 'more';
    else if ((awaited === 'value' || awaited === 'value-or-end') && (sign === '{' || sign === '[')) {
      open.push(sign);
      awaited = sign === '{' ? 'name-or-end' : 'value-or-end';
    } else if (awaited === 'more' && sign === ',') awaited = inside === '{' ? 'name' : 'value';
    else if (
      (inside === '{' && sign === '}' && (awaited === 'more' || awaited === 'name-or-end')) ||
      (inside === '[' && sign === ']' && (awaited === 'more' || awaited === 'value-or-end'))
    ) {
      open.pop();
      awaited = 'more';
    } else return begins;
  }
}

/**
 * Says where a text that could not be read as JSON is broken: "it is broken at line 3, column 12, at “}”".
 *
 * @param text A text that `JSON.parse` refused.
 */
export function brokenJson(text: string): string {
  const at = firstFault(text);
  const before = text.slice(0, at);
  const line = before.split('\n').length;
  const column = at - before.lastIndexOf('\n');
  const there = [...text.slice(at, at + 2)][0];
  return there === undefined
    ? `it ends too early, at line ${line}, column ${column}`
    : `it is broken at line ${line}, column ${column}, at ${JSON.stringify(there)}`;
}

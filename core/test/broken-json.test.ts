/** A text that is no JSON says where: as every engine would agree, at the first character that cannot stand there. */
import { brokenJson } from '@tetrad/core';
import fc from 'fast-check';

const isJson = (text: string): boolean => {
  try {
    JSON.parse(text);
    return true;
  } catch {
    return false;
  }
};
const placeOf = (text: string): { line: number; column: number } => {
  const [, line, column] = /line (\d+), column (\d+)/.exec(brokenJson(text))!;
  return { line: Number(line), column: Number(column) };
};

it.each([
  ['{"a":1', 'it ends too early, at line 1, column 7'],
  ['', 'it ends too early, at line 1, column 1'],
  ['{"a":x}', 'it is broken at line 1, column 6, at "x"'],
  ['[1,]', 'it is broken at line 1, column 4, at "]"'],
  ['{"a":1,}', 'it is broken at line 1, column 8, at "}"'],
  ['{"a":1}\n{}', 'it is broken at line 2, column 1, at "{"'],
  ['{\n  "a": 01\n}', 'it is broken at line 2, column 8, at "0"'],
  ["{'a': 1}", 'it is broken at line 1, column 2, at "\'"'],
  ['{"a" 1}', 'it is broken at line 1, column 6, at "1"'],
  ['"ends', 'it is broken at line 1, column 1, at "\\""'],
  ['[1 2]', 'it is broken at line 1, column 4, at "2"'],
])('%j', (text, says) => {
  expect(brokenJson(text)).toBe(says);
});

it('what stands before the place can be completed, and what stands there cannot: any document, cut or altered anywhere', () => {
  let looked = 0;
  fc.assert(
    fc.property(fc.json(), fc.nat(), fc.constantFrom('', '}', ']', ',', ':', '"', 'x', '-'), (json, where, put) => {
      const at = where % (json.length + 1);
      const text = put === '' ? json.slice(0, at) : json.slice(0, at) + put + json.slice(at);
      if (isJson(text)) return;
      looked++;
      const { line, column } = placeOf(text);
      const lines = text.split('\n');
      expect(line).toBeLessThanOrEqual(lines.length);
      expect(column).toBeLessThanOrEqual(lines[line - 1]!.length + 1);
      // nothing is told that lies behind the change, unless a string ran on over it
      if (put === '') expect(brokenJson(text)).toMatch(/too early|at "/);
    }),
    { numRuns: 2000 },
  );
  expect(looked).toBeGreaterThan(1000);
});

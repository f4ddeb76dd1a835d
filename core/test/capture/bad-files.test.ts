/** What cannot be read is refused, with where and what; never read as something it is not. */
import { CaptureError, RecordingReader, readCapture } from '../../src/capture';
import type { CaptureFault } from '../../src/capture';
import { bytesOf, fileOf, readText, start } from './records';

function faultOf(read: () => unknown): CaptureFault {
  try {
    read();
  } catch (error) {
    if (error instanceof CaptureError) {
      expect(error.message.length).toBeGreaterThan(20);
      return error.fault;
    }
    throw error;
  }
  throw new Error('it was read');
}

const table = (change: (lines: string[]) => void): string => {
  const lines = [
    'time,volts,amps',
    ...Array.from({ length: 50 }, (_, at) => `${(at / 100).toFixed(2)},12.6${at % 10},${at}`),
  ];
  change(lines);
  return `${lines.join('\n')}\n`;
};

describe('a file that is no recording', () => {
  it('a picture renamed .csv is told as what it looks like', () => {
    const png = Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52]);
    expect(faultOf(() => readCapture(png))).toMatchObject({ code: 'not-text', looksLike: 'a PNG picture' });
  });

  it('an empty file, and a file of notes', () => {
    expect(faultOf(() => readText(''))).toEqual({ code: 'empty' });
    expect(faultOf(() => readText('only words here\nand here\n'))).toMatchObject({ code: 'no-rows' });
  });

  it('one column has neither time nor pace', () => {
    expect(faultOf(() => readText(`volts\n${'12.6\n'.repeat(30)}`))).toMatchObject({ code: 'one-column', line: 2 });
    expect(faultOf(() => readText(`Sample,CH1,CH2\n${'1,12.6,3\n'.repeat(30)}`))).toMatchObject({ code: 'no-time' });
  });

  it('a few rows tell nothing', () => {
    expect(faultOf(() => readText('time,volts\n0,12.6\n1,12.6\n'))).toMatchObject({
      code: 'too-few-samples',
      samples: 2,
    });
  });

  it('a file beyond the limit is refused before it is held', () => {
    const reader = new RecordingReader({ mostBytes: 500 });
    const piece = bytesOf(table(() => undefined));
    expect(faultOf(() => reader.push(piece))).toEqual({ code: 'too-large', bytes: piece.length, most: 500 });
    expect(new CaptureError({ code: 'too-large', bytes: 2e9, most: 1e9 }).message).toContain(
      '2000 MB; at most 1000 MB',
    );
  });
});

describe('a row that does not fit', () => {
  const at = (line: string): string => table((lines) => lines.splice(30, 1, line));

  it('text, NaN and infinity are named with line, column and name', () => {
    for (const found of ['abc', 'NaN', '-∞', '12.6.1', '1e', '12e400', '-1e39'])
      expect(faultOf(() => readText(at(`0.29,${found},4`)))).toEqual({
        code: 'not-a-number',
        line: 31,
        column: 2,
        name: 'volts',
        found,
      });
  });

  it('a missing and a further column are counted', () => {
    expect(faultOf(() => readText(at('0.29,12.6')))).toMatchObject({ code: 'columns', line: 31, found: 2, wanted: 3 });
    expect(faultOf(() => readText(at('0.29,12.6,3,9')))).toMatchObject({ code: 'columns', line: 31, found: 4 });
  });

  it('a header in the middle is text in the middle', () => {
    expect(faultOf(() => readText(at('time,volts,amps')))).toMatchObject({ line: 31, column: 1 });
  });

  it('time that runs backwards or stands still is told with its line', () => {
    expect(faultOf(() => readText(at('0.05,12.6,4')))).toMatchObject({ code: 'time-backwards', line: 31, atS: 0.05 });
    expect(faultOf(() => readText(at('0.28,12.6,4')))).toMatchObject({ code: 'time-stands-still', line: 31 });
    const still = table((lines) =>
      lines.forEach((line, place) => place && (lines[place] = line.replace(/^[^,]+/, '3.5'))),
    );
    expect(faultOf(() => readText(still))).toMatchObject({ code: 'time-stands-still', line: 3 });
  });

  it('blank lines and a separator too many at the end do no harm', () => {
    expect(readText(table((lines) => lines.splice(20, 0, '', '')))).toMatchObject({ samples: 50, truncated: false });
    expect(readText(table((lines) => lines.forEach((line, place) => (lines[place] = `${line},`)))).samples).toBe(50);
  });

  it('a last line that was cut off is left out and told', () => {
    const text = table(() => undefined);
    const cut = readText(text.slice(0, -8));
    expect(cut).toMatchObject({ samples: 49, truncated: true });
    expect(readText(text.trimEnd()).truncated).toBe(false);
  });

  it('a pause longer than all the rest is no one recording', () => {
    const late = table((lines) => lines.splice(40, 11, ...lines.slice(40).map((line) => line.replace(/^0/, '900'))));
    expect(faultOf(() => readText(late))).toMatchObject({ code: 'gap-too-long' });
  });

  it('a channel without one figure is named', () => {
    const empty = table((lines) =>
      lines.forEach((line, place) => place && (lines[place] = line.replace(/,\d+$/, ','))),
    );
    expect(faultOf(() => readText(empty))).toMatchObject({ code: 'empty-channel', name: 'amps', column: 3 });
  });
});

describe('a recording of UTF-16, or of single bytes', () => {
  const { record } = start({ sampleRateHz: 200, afterS: 1 });

  it('is text all the same', () => {
    const text = new TextDecoder().decode(fileOf(record, { units: 'in-names', time: 'µs' }));
    const wide = Uint8Array.from([
      0xff,
      0xfe,
      ...[...text].flatMap((letter) => [letter.charCodeAt(0), letter.charCodeAt(0) >> 8]),
    ]);
    const single = Uint8Array.from([...text], (letter) => letter.charCodeAt(0));
    for (const bytes of [wide, single, bytesOf(text)]) {
      const read = readCapture(bytes);
      expect(read.samples).toBe(record.volts.length);
      expect(read.sampleRateHz).toBeCloseTo(200, 3);
    }
  });
});

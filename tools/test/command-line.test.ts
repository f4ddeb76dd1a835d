import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const GOOD = {
  format: 'tetrad-case/1',
  system: { nominalVolts: 12, battery: { chemistry: 'flooded' } },
  readings: [{ id: 'r1', test: 'resting-voltage', value: 12.1 }],
};

function tetrad(words: readonly string[], input = '') {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['tools/tetrad.mjs', ...words], {
    input,
    encoding: 'utf8',
  });
  return { status, out: stdout, err: stderr };
}
const file = (text: string): string => {
  const path = join(mkdtempSync(join(tmpdir(), 'tetrad-')), 'a.case.json');
  writeFileSync(path, text);
  return path;
};

describe('tetrad judge', () => {
  it('judges a file, and the same from standard input', () => {
    const fromFile = tetrad(['judge', file(JSON.stringify(GOOD))]);
    const fromInput = tetrad(['judge'], JSON.stringify(GOOD));
    expect(fromFile).toEqual(fromInput);
    expect(fromFile.status).toBe(0);
    expect(JSON.parse(fromFile.out)).toMatchObject({
      format: 'tetrad-judgement/1',
      decision: { action: 'charge-first' },
    });
  });

  it('judges by the school it is told', () => {
    const said = tetrad(['judge', '--criteria', 'careful'], JSON.stringify(GOOD));
    expect(JSON.parse(said.out).criteria.id).toBe('careful');
  });

  it('--lines gives one answer a line, in order; a bad line gets its error and status 1', () => {
    const { status, out } = tetrad(
      ['judge', '--lines'],
      `${JSON.stringify(GOOD)}\nno case\n${JSON.stringify({ ...GOOD, readings: [] })}\n`,
    );
    const answers = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line));
    expect(status).toBe(1);
    expect(answers).toHaveLength(3);
    expect(answers[0].decision.action).toBe('charge-first');
    expect(answers[1].error).toContain('$');
    expect(answers[2].decision.action).toBe('test-next');
  });

  it('names a bad document on standard error and ends with 1', () => {
    const { status, out, err } = tetrad(['judge'], '{"format":"tetrad-case/1"}');
    expect({ status, out }).toEqual({ status: 1, out: '' });
    expect(err).toContain('$.system');
  });

  it.each([[['judge', '--criteria', 'mine']], [['judge', '--speed']], [['fly']], [[]]])(
    '%j is wrong usage: status 2',
    (words) => {
      expect(tetrad(words).status).toBe(2);
    },
  );
});

describe('tetrad simulate', () => {
  it('writes a case that judge takes, the same for the same seed, and the capture behind it', () => {
    const capture = file('');
    const words = ['simulate', '--fault', 'cable-starter-ground', '--severity', '0.5', '--seed', '7'];
    const first = tetrad([...words, '--capture', capture]);
    expect(first.status).toBe(0);
    expect(tetrad(words).out).toBe(first.out);
    expect(JSON.parse(tetrad(['judge'], first.out).out).decision).toMatchObject({
      part: 'connections',
      fault: 'cable-starter-ground',
    });
    const [header, ...rows] = readFileSync(capture, 'utf8').trim().split('\n');
    expect(header).toBe('seconds,volts,amps');
    expect(rows.length).toBeGreaterThan(1000);
    expect(rows.every((row) => row.split(',').map(Number).every(Number.isFinite))).toBe(true);
  });

  it.each([
    ['--fault', 'rust'],
    ['--severity', '2'],
    ['--severity', ''],
    ['--seed', 'x'],
  ])('%s %j is wrong usage, and says what is allowed', (option, word) => {
    const { status, err } = tetrad(['simulate', option, word]);
    expect(status).toBe(2);
    expect(err).toContain(option);
  });
});

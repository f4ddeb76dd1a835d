import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
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

beforeAll(() => {
  tetrad(['--version']); // sets up what is not there yet
});

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

  it('a line longer than any case gets its error, and the next one its judgement', () => {
    const lines = `import { Readable } from 'node:stream';
      import { spawn } from 'node:child_process';
      const child = spawn(process.execPath, ['tools/tetrad.mjs', 'judge', '--lines'], { stdio: ['pipe', 'inherit', 'inherit'] });
      async function* input() { for (let i = 0; i < 65; i++) yield Buffer.alloc(1e6, 120); yield ${JSON.stringify(`\n${JSON.stringify(GOOD)}\n`)}; }
      Readable.from(input()).pipe(child.stdin);
      child.on('exit', (code) => (process.exitCode = code));`;
    const { status, stdout } = spawnSync(process.execPath, ['--input-type=module', '--eval', lines], {
      encoding: 'utf8',
    });
    const [tooLong, judged, ...more] = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line));
    expect({ status, more }).toEqual({ status: 1, more: [] });
    expect(tooLong.error).toMatch(/has more bytes; a case has at most 64000000/);
    expect(judged.decision.action).toBe('charge-first');
  });

  it.each([[[] as string[]], [['--lines']]])('%j tells where its output could not be written', (words) => {
    const { status, stderr } = spawnSync(
      'sh',
      ['-c', 'exec "$@" > /dev/full', 'sh', process.execPath, 'tools/tetrad.mjs', 'judge', ...words],
      {
        input: `${JSON.stringify(GOOD)}\n`,
        encoding: 'utf8',
      },
    );
    expect(status).toBe(1);
    expect(stderr).toMatch(/the output could not be written: ENOSPC/);
  });

  it.each([
    [['judge', '--criteria', 'mine']],
    [['judge', '--speed']],
    [['fly']],
    [['constructor']],
    [['audit']],
    [['backup']],
    [['export', 'a.zip']],
    [[]],
  ])('%j is wrong usage: status 2', (words) => {
    expect(tetrad(words).status).toBe(2);
  });
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

describe('tetrad instrument', () => {
  it('tells who answers and one value, of the simulated ones that tetrad stand-in serves', async () => {
    const served = spawn(process.execPath, ['tools/tetrad.mjs', 'stand-in', '--fault', 'battery-worn', '--seed', '3']);
    try {
      const [printed] = (await once(served.stdout, 'data')) as [Buffer];
      const { meter, clamp } = JSON.parse(printed.toString()) as { meter: string; clamp: string };
      const volts = tetrad(['instrument', meter]);
      expect([volts.status, volts.out]).toEqual([0, expect.stringMatching(/^Simulated, Meter, .*\n1[12]\.\d\d V\n$/)]);
      expect(tetrad(['instrument', clamp, '--use', 'amps-dc']).out).toMatch(/ A\n$/);
    } finally {
      served.kill();
    }
  });

  it.each([
    [['instrument', 'meter'], 2, 'allowed is tcp://host:port'],
    [['instrument', 'tcp://127.0.0.1:9', '--use', 'magic'], 2, '--use is magic; allowed are volts-dc'],
    [['instrument', 'tcp://127.0.0.1:9', '--scale', '0'], 2, '--scale is 0'],
    [['instrument', 'tcp://127.0.0.1:9'], 1, 'nothing listens there'],
    [['stand-in', '--fault', 'rust'], 2, '--fault is rust; allowed are'],
    [['stand-in', '--port', '-1'], 2, '--port is -1'],
  ])('%j: status %d, and says %j', (words, status, says) => {
    const told = tetrad(words);
    expect([told.status, told.err]).toEqual([status, expect.stringContaining(says)]);
  });
});

describe('tetrad --help', () => {
  it('tells every command, the administrator’s among them, and each its own options', () => {
    const { status, out } = tetrad(['--help']);
    expect(status).toBe(0);
    for (const name of [
      'judge',
      'analyse',
      'simulate',
      'audit',
      'backup',
      'restore',
      'export',
      'import',
      'move-shop',
      'people',
      'instrument',
      'stand-in',
    ]) {
      expect(out).toMatch(new RegExp(`^  ${name}\\b`, 'm'));
      expect(tetrad([name, '--help'])).toMatchObject({
        status: 0,
        out: expect.stringContaining(`Usage: tetrad ${name}`),
      });
    }
    expect(tetrad(['help', 'judge']).out).toContain('--criteria <id>');
  });

  it('tells the nearest command, and the version of the product', () => {
    expect(tetrad(['judg'])).toMatchObject({ status: 2, err: expect.stringContaining('Did you mean judge?') });
    const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string };
    expect(tetrad(['--version'])).toMatchObject({ status: 0, out: `${version}\n` });
  });
});

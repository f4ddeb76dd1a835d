import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { dirname, join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';

/** Runs a few lines of module code as the set-up would, and gives back what it printed and how it ended. */
function module(code: string) {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--input-type=module', '--eval', code], {
    encoding: 'utf8',
  });
  return { status, out: stdout.trim(), err: stderr.trim() };
}
const SETUP = './tools/setup';

describe('the start command refuses in one clear line', () => {
  const start = (...words: string[]) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, ['tools/start.mjs', ...words], { encoding: 'utf8' });
    return { status, said: (stdout + stderr).trim().split('\n').at(-1)! };
  };

  it.each([
    [['--port', 'http'], /--port is http: it must be a whole number from 1 to 65535/],
    [['--port', '70000'], /70000/],
    [['--database', 'mysql://here'], /must be an address that begins with postgres/],
    [['--wings'], /Known are --port N/],
  ])('%j', (words, line) => {
    const { status, said } = start(...words);
    expect(status).toBe(1);
    expect(said).toMatch(line);
    expect(said).not.toMatch(/^\s+at /);
  });

  it('a busy port', async () => {
    const taken = createServer().listen(0, '127.0.0.1');
    await once(taken, 'listening');
    const { port } = taken.address() as AddressInfo;
    const child = spawn(process.execPath, ['tools/start.mjs', '--port', String(port)]);
    let said = '';
    child.stderr.on('data', (data) => (said += data));
    const [code] = (await once(child, 'close')) as [number];
    taken.close();
    expect(code).toBe(1);
    expect(said).toContain(`port ${port} is busy: stop what uses it, or choose another with --port.`);
  });

  it('an old Node, a full disk', () => {
    const old = module(
      `import { checkNode } from '${SETUP}/requirements.mjs'; try { checkNode('18.20.1') } catch (e) { console.log(e.message) }`,
    );
    expect(old.out).toBe(
      "Node 18.20.1 is too old: Angular's build and the packages' binaries need Node 20.19 or newer. Install it and start again.",
    );
    const full = module(
      `import { run } from '${SETUP}/run.mjs'; try { await run('sh', ['-c', 'echo "write: No space left on device" >&2; exit 1']) } catch (e) { console.log(e.message) }`,
    );
    expect(full.out).toBe('the disk is full: sh could not write. Free some space and start again.');
  });

  it('saying no to --reset-demo removes nothing', () => {
    const { status, stdout, stderr } = spawnSync(process.execPath, ['tools/start.mjs', '--reset-demo'], {
      encoding: 'utf8',
      input: 'no\n',
    });
    expect(status).toBe(1);
    expect(stdout + stderr).toContain('nothing was removed');
  });
});

describe('the private cluster', () => {
  it('asks for its password on loopback, keeps its data over a restart, and leaves nothing behind', () => {
    const { status, out, err } = module(`
      import pg from 'pg';
      import { existsSync } from 'node:fs';
      import { temporaryCluster } from '${SETUP}/cluster.mjs';
      const cluster = await temporaryCluster();
      const ask = async (url, sql) => { const client = new pg.Client({ connectionString: url }); await client.connect(); const { rows } = await client.query(sql); await client.end(); return rows; };
      await cluster.createDatabase('kept');
      await ask(cluster.url('kept'), 'CREATE TABLE t AS SELECT 42 AS x');
      const wrong = await ask(cluster.url('kept').replace(/:[^:@]+@/, ':guess@'), 'SELECT 1').catch((error) => error.code);
      const [{ fsync }] = await ask(cluster.url('kept'), 'SHOW fsync');
      await cluster.stop();
      await cluster.start();
      const [{ x }] = await ask(cluster.url('kept'), 'SELECT x FROM t');
      const folder = cluster.folder;
      await cluster.remove();
      console.log(JSON.stringify({ wrong, fsync, x, left: existsSync(folder) }));`);
    expect(err).toBe('');
    expect(status).toBe(0);
    expect(JSON.parse(out)).toEqual({ wrong: '28P01', fsync: 'on', x: 42, left: false });
  });

  it('ends with the process that started it, even one that is killed', async () => {
    const holder = spawn(process.execPath, [
      '--input-type=module',
      '--eval',
      `import { temporaryCluster } from '${SETUP}/cluster.mjs';
       const cluster = await temporaryCluster();
       console.log(JSON.stringify({ pid: cluster.pid, folder: cluster.folder }));
       setInterval(() => undefined, 1000);`,
    ]);
    const [line] = (await once(holder.stdout, 'data')) as [Buffer];
    const { pid, folder } = JSON.parse(line.toString()) as { pid: number; folder: string };
    expect(readFileSync(`/proc/${pid}/cmdline`, 'utf8')).toContain('postgres');
    holder.kill('SIGKILL');
    for (let tries = 0; tries < 100 && existsSync(join(folder, 'postmaster.pid')); tries++) await wait(100);
    expect(existsSync(join(folder, 'postmaster.pid'))).toBe(false);
    rmSync(dirname(folder), { recursive: true });
  });

  it('does not begin where the process that asked for it has ended already', () => {
    const asked = `import { spawnBound } from '${SETUP}/spawn-bound.mjs';
      const child = spawnBound('sh', ['-c', 'echo begun'], { stdio: ['ignore', 'inherit', 'ignore'], env: process.env });
      child.on('exit', (code) => console.log('ended with ' + code));`;
    expect(module(asked).out).toBe('begun\nended with 0');
    expect(
      spawnSync('sh', ['-c', '[ "$PPID" = "$TETRAD_PARENT" ] || exit 1; echo begun'], {
        env: { ...process.env, TETRAD_PARENT: '1' },
        encoding: 'utf8',
      }),
    ).toMatchObject({ status: 1, stdout: '' });
  });
});

describe('a lock of the folder', () => {
  it('is held by one process, tells who, and is free when that is killed', async () => {
    const hold = `import { takeLock } from '${SETUP}/folder-lock.mjs';
      const lock = await takeLock('run', '/a/folder');
      if (!lock) { console.log('held'); process.exit(); }
      lock.tell({ address: 'http://here/' });
      console.log('taken');
      setInterval(() => undefined, 1000);`;
    const first = spawn(process.execPath, ['--input-type=module', '--eval', hold]);
    expect(String((await once(first.stdout, 'data'))[0]).trim()).toBe('taken');
    expect(module(hold).out).toBe('held');
    const ask = `import { holderOf } from '${SETUP}/folder-lock.mjs'; console.log(JSON.stringify(await holderOf('run', '/a/folder')));`;
    expect(JSON.parse(module(ask).out)).toEqual({ pid: first.pid, address: 'http://here/' });
    const gone = once(first, 'exit');
    first.kill('SIGKILL');
    await gone;
    expect(JSON.parse(module(ask).out)).toBeNull();
  });
});

import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';

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
    expect(old.out).toBe('Node 18.20.1 is too old: install Node 20.19 or newer and start again.');
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

  it('is stopped by its guard when the process that holds it is killed', () => {
    const { out } = module(`
      import { spawn } from 'node:child_process';
      import { once } from 'node:events';
      import { guardDatabase } from '${SETUP}/supervise.mjs';
      const database = spawn('sleep', ['60']);
      const guard = guardDatabase(database.pid);
      guard.stdin.destroy();
      const [, signal] = await once(database, 'exit');
      console.log(signal);`);
    expect(out).toBe('SIGINT');
  });
});

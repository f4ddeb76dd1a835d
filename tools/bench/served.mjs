/** The built application served on a cluster of its own, with a browser on it, for one benchmark. */
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../setup/chromium.mjs';
import { temporaryCluster } from '../setup/cluster.mjs';
import { freePort } from '../setup/ports.mjs';
import { ROOT } from '../setup/root.mjs';
import { run } from '../setup/run.mjs';
import { startStandIns } from '../setup/stand-ins.mjs';
import { serverEnvironment, startServer, stopProcess } from '../setup/supervise.mjs';

/**
 * @template T
 * @param {(url: string, browser: import('@playwright/test').Browser, served: { addresses?: Record<string, string>, pid: number }) => Promise<T>} work
 * @param {{ withInstruments?: boolean }} [how] `withInstruments`: the simulated ones are there too
 * @returns {Promise<T>}
 */
export async function withServedApplication(work, { withInstruments = false } = {}) {
  const cluster = await temporaryCluster();
  let server = null;
  let browser = null;
  let standIns = null;
  try {
    await cluster.createDatabase();
    const env = { ...serverEnvironment(cluster.url(), await freePort()), TETRAD_LOG_LEVEL: 'error' };
    standIns = withInstruments ? await startStandIns() : null;
    if (standIns) env.TETRAD_STAND_INS = JSON.stringify(standIns.addresses);
    const printed = await run(process.execPath, ['dist/server/prepare.mjs', '--demo'], { cwd: ROOT, env });
    const { address } = JSON.parse(printed);
    const open = { TETRAD_DATABASE_URL: address, TETRAD_DEMO_DOOR: 'loopback', TETRAD_REQUESTS_A_SECOND: '10000' };
    server = await startServer({ ...env, ...open }, { quiet: true });
    browser = await chromium.launch(CHROMIUM);
    return await work(`http://127.0.0.1:${server.port}`, browser, {
      addresses: standIns?.addresses,
      pid: server.child.pid,
    });
  } finally {
    await browser?.close();
    standIns?.child.kill();
    if (server) await stopProcess(server.child);
    await cluster.remove();
  }
}

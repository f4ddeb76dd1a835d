import { existsSync } from 'node:fs';

/** Debian's Chromium: its headless shell, which draws no browser of its own around the page, or the whole browser. */
const PROGRAMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** @returns The program of this machine, or undefined where neither is installed. */
export const chromiumProgram = () => PROGRAMS.find((program) => existsSync(program));

/** How it is started for tests, benchmarks and pictures: headless, and asking nothing of the network. */
export const CHROMIUM = {
  executablePath: chromiumProgram(),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

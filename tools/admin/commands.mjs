/** The administrator's commands: they work on this checkout's own database, or on the one that TETRAD_DATABASE_URL names. */
import { join, resolve } from 'node:path';
import { buildServer } from '../setup/build.mjs';
import { ROOT } from '../setup/root.mjs';
import { run } from '../setup/run.mjs';
import { SetupError } from '../setup/steps.mjs';
import { backup, restore, scheduledBackup } from './backup.mjs';
import { withDatabase } from './open-database.mjs';

const megabytes = (bytes) => `${(bytes / 1e6).toFixed(1)} MB`;
const WHERE = `
Works on this checkout's own database, or on the one that TETRAD_DATABASE_URL names.`;

/** @param {import('commander').Command} program */
export function addAdminCommands(program) {
  const command = (parent, words, summary, description = `${summary[0].toUpperCase()}${summary.slice(1)}.`) =>
    parent.command(words).summary(summary).description(description).addHelpText('after', WHERE);

  const audit = program.command('audit').summary('check the audit log').description('Checks the audit log.');
  command(audit, 'verify', 'prove the audit log of every shop unbroken; status 1 if one is not')
    .option('--shop <id>', 'this shop alone')
    .action(told(verifyAudit));
  command(program, 'backup [file]', 'write the whole database to a file, and read it back')
    .option('--to <folder>', 'name the file by its time and put it here')
    .option('--keep <n>', 'with --to: of more than n backups in the folder the oldest are removed', '14')
    .action(told(makeBackup));
  command(
    program,
    'restore <file>',
    'put a backup in the place of the database; what was there is kept beside it',
  ).action(told(restoreBackup));
  command(
    program,
    'export <folder|file.zip>',
    'write a whole shop in open formats',
    'Writes a whole shop in open formats: JSON lines, recorded files, cases (docs/shop-format.md).',
  )
    .requiredOption('--shop <id>', 'the shop')
    .action(told(exportShop));
  command(
    program,
    'import <folder|file.zip>',
    'bring an exported shop in',
    'Brings an exported shop in, under its own id or another that is free here; all of it or nothing.',
  )
    .option('--shop <id>', 'the id it gets here')
    .action(told(importShop));
  command(
    program,
    'move-shop <id>',
    'move a shop to another cluster while its devices work',
    'Moves a shop to another cluster while its devices work (docs/operating.md).',
  )
    .requiredOption('--to <cluster>', 'its name in the file, or "first" for the one of TETRAD_DATABASE_URL')
    .requiredOption('--clusters-file <file>', 'where the other clusters are')
    .action(told(moveShop));
  const people = program.command('people').summary('accounts of a shop').description('Accounts of a shop.');
  command(
    people,
    'reset-password <name>',
    'give somebody a new one-time password',
    'Prints a new one-time password for somebody and ends their sessions.',
  )
    .option('--shop <id>', 'their shop; needed where there is more than one')
    .action(told(resetPassword));
}

/** What is expected to fail is told in one line, with status 1. */
const told =
  (action) =>
  async (...given) => {
    try {
      process.exitCode = await action(...given);
    } catch (error) {
      const name = given.at(-1).name();
      if (error instanceof UsageFault) given.at(-1).error(`error: ${error.message}`);
      console.error(`tetrad ${name}: ${error instanceof SetupError ? error.message : error.message.trim()}`);
      process.exitCode = 1;
    }
  };

class UsageFault extends Error {}

/** Runs one of the server's programs on the database. @returns what it printed, parsed. */
async function onDatabase(program, words, more = {}) {
  await buildServer();
  return withDatabase(async (address) => {
    const env = { ...process.env, ...more, TETRAD_DATABASE_URL: address };
    const file = join(ROOT, `dist/server/${program}.mjs`);
    const printed = await run(process.execPath, [file, ...words], { cwd: ROOT, env }).catch((error) => {
      // without the line that tells how the program was called
      throw new SetupError(error.message.split('\n').slice(1).join('\n').trim() || error.message);
    });
    return JSON.parse(printed);
  });
}

const shopWords = (shop) => (shop ? ['--shop', shop] : []);

async function verifyAudit({ shop: named }) {
  const shops = await onDatabase('audit', shopWords(named));
  if (shops.length === 0) throw new SetupError('there is no shop to verify here.');
  for (const { shop, ...found } of shops)
    console.log(
      found.isWhole
        ? `${shop}: ${found.entries} entries, unbroken. Head ${found.head || 'none'}`
        : `${shop}: BROKEN at entry ${found.seq} (${found.why})`,
    );
  return shops.every(({ isWhole }) => isWhole) ? 0 : 1;
}

async function makeBackup(file, { to, keep: word }) {
  const keep = Number(word);
  if (!Number.isInteger(keep) || keep < 1) throw new UsageFault(`--keep is ${word}: it must be a whole number from 1`);
  if (Boolean(file) === Boolean(to)) throw new UsageFault('backup takes one file, or --to and a folder');
  const { file: written, bytes } = await withDatabase((address) =>
    to ? scheduledBackup(address, to, keep) : backup(address, file),
  );
  console.log(`${written}: ${megabytes(bytes)}, read back whole.`);
  return 0;
}

async function restoreBackup(file) {
  await buildServer();
  return withDatabase(async (address, how) => {
    // the application's role must be there before its rights are restored
    const env = { ...process.env, TETRAD_DATABASE_URL: address };
    await run(process.execPath, [join(ROOT, 'dist/server/prepare.mjs'), '--role-only'], { cwd: ROOT, env });
    const { kept } = await restore(address, file, how);
    console.log(`Restored from ${file}.${kept ? ` What was there is the database ${kept} now.` : ''}`);
    return 0;
  });
}

async function exportShop(place, { shop }) {
  const { rows, captures } = await onDatabase('move', ['export', resolve(place), ...shopWords(shop)]);
  console.log(`${resolve(place)}: the shop ${shop}, ${rows} rows and ${captures} recorded files.`);
  return 0;
}

async function importShop(place, { shop }) {
  const { rows, captures, shop: id } = await onDatabase('move', ['import', resolve(place), ...shopWords(shop)]);
  console.log(`The shop ${id} is here: ${rows} rows and ${captures} recorded files.`);
  return 0;
}

async function moveShop(id, { to, clustersFile }) {
  const env = { TETRAD_CLUSTERS_FILE: resolve(clustersFile) };
  const { from, rows, captures } = await onDatabase('move-shop', [id, '--to', to], env);
  console.log(`${id}: moved from ${from} to ${to}: ${rows} rows, ${captures} recorded files.`);
  return 0;
}

async function resetPassword(name, { shop: named }) {
  const { shop, name: whose, oneTimePassword } = await onDatabase('reset-password', [name, ...shopWords(named)]);
  console.log(`${whose} of the shop ${shop} has the one-time password ${oneTimePassword} (shown this once).`);
  return 0;
}

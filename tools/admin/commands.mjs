/** `tetrad audit verify`, `backup`, `restore`, `export` and `import`: what an administrator does with the database at hand. */
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { buildServer } from '../setup/build.mjs';
import { ROOT } from '../setup/root.mjs';
import { run } from '../setup/run.mjs';
import { SetupError } from '../setup/steps.mjs';
import { backup, restore, scheduledBackup } from './backup.mjs';
import { withDatabase } from './open-database.mjs';

export const ADMIN_USAGE = `tetrad audit verify [--shop ID]
    proves the record of acts of every shop unbroken; status 1 where one is not
tetrad backup FILE | --to FOLDER [--keep N]
    writes the whole database to a file, or to one named by its time, and reads it back; of more than N (14) in the
    folder the oldest go
tetrad restore FILE
    puts a backup in the place of the database; what was there is kept beside it
tetrad export FOLDER|FILE.zip --shop ID
    writes a whole shop in open formats: JSON lines, recorded files, cases (docs/shop-format.md)
tetrad import FOLDER|FILE.zip [--shop ID]
    brings such a shop in, under its own id or another that is free here; all of it or nothing
    (all work on this checkout's own database, or on the one that TETRAD_DATABASE_URL names)`;

const megabytes = (bytes) => `${(bytes / 1e6).toFixed(1)} MB`;

const COMMANDS = {
  async audit([word, ...words]) {
    if (word !== 'verify') throw new UsageError('audit is followed by verify');
    await buildServer();
    return withDatabase(async (address) => {
      const env = { ...process.env, TETRAD_DATABASE_URL: address };
      const printed = await run(process.execPath, [join(ROOT, 'dist/server/audit.mjs'), ...words], { cwd: ROOT, env });
      const shops = JSON.parse(printed);
      for (const { shop, ...told } of shops)
        console.log(
          told.isWhole
            ? `${shop}: ${told.entries} entries, unbroken. Head ${told.head || 'none'}`
            : `${shop}: BROKEN at entry ${told.seq} (${told.why})`,
        );
      if (shops.length === 0) throw new SetupError('there is no shop to verify here: name one with --shop.');
      return shops.every(({ isWhole }) => isWhole) ? 0 : 1;
    });
  },

  async backup(words) {
    const { values, positionals } = parseArgs({
      args: words,
      allowPositionals: true,
      options: { to: { type: 'string' }, keep: { type: 'string', default: '14' } },
    });
    const keep = Number(values.keep);
    if (!Number.isInteger(keep) || keep < 1)
      throw new UsageError(`--keep is ${values.keep}: it must be a whole number from 1`);
    if (positionals.length + (values.to ? 1 : 0) !== 1) throw new UsageError('backup is followed by one FILE, or --to');
    const { file: written, bytes } = await withDatabase((address) =>
      values.to ? scheduledBackup(address, values.to, keep) : backup(address, positionals[0]),
    );
    console.log(`${written}: ${megabytes(bytes)}, read back whole.`);
    return 0;
  },

  async export(words) {
    const { place, shop } = placeAndShop(words);
    if (!shop) throw new UsageError('export names the shop with --shop ID');
    const { rows, captures } = await moved('export', place, shop);
    console.log(`${place}: the shop ${shop}, ${rows} rows and ${captures} recorded files.`);
    return 0;
  },

  async import(words) {
    const { place, shop } = placeAndShop(words);
    const { rows, captures, shop: id } = await moved('import', place, shop);
    console.log(`The shop ${id} is here: ${rows} rows and ${captures} recorded files.`);
    return 0;
  },

  async restore([file, ...more]) {
    if (!file || more.length > 0) throw new UsageError('restore is followed by one FILE');
    await buildServer();
    return withDatabase(async (address, how) => {
      // the application's role must be there before its rights are restored
      const env = { ...process.env, TETRAD_DATABASE_URL: address };
      await run(process.execPath, [join(ROOT, 'dist/server/prepare.mjs'), '--role-only'], { cwd: ROOT, env });
      const { kept } = await restore(address, file, how);
      console.log(`Restored from ${file}.${kept ? ` What was there is the database ${kept} now.` : ''}`);
      return 0;
    });
  },
};

class UsageError extends Error {}

function placeAndShop(words) {
  const { values, positionals } = parseArgs({
    args: words,
    allowPositionals: true,
    options: { shop: { type: 'string' } },
  });
  if (positionals.length !== 1) throw new UsageError('one FOLDER or FILE.zip is named');
  return { place: resolve(positionals[0]), shop: values.shop };
}

async function moved(act, place, shop) {
  await buildServer();
  return withDatabase(async (address) => {
    const env = { ...process.env, TETRAD_DATABASE_URL: address };
    const words = [join(ROOT, 'dist/server/move.mjs'), act, place, ...(shop ? ['--shop', shop] : [])];
    return JSON.parse(await run(process.execPath, words, { cwd: ROOT, env }));
  });
}

export const isAdminCommand = (name) => name in COMMANDS;

/** @returns {Promise<number>} the exit status. */
export async function adminCommand(name, words) {
  try {
    return await COMMANDS[name](words);
  } catch (error) {
    if (error instanceof UsageError || error.code?.startsWith('ERR_PARSE_ARGS')) {
      console.error(`tetrad ${name}: ${error.message}\n${ADMIN_USAGE}`);
      return 2;
    }
    console.error(`tetrad ${name}: ${error instanceof SetupError ? error.message : error.message.trim()}`);
    return 1;
  }
}

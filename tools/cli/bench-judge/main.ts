/**
 * `npm run bench:judge`: how well the judge judges, on vehicles of the circuit model drawn with a spread
 * that it was not tuned by, beside a plain judge with fixed limits in the same run. `--tuning` and `--checking`
 * take the other spreads; `--misses` tells on standard error what went wrong.
 */
import { bolderOrMoreCareful } from './careful';
import { following, followingRows } from './following';
import { fullRows, fullSets } from './full-sets';
import { packs } from './packs';
import { pairs } from './pairs';
import { settingOf } from './setting';
import { speed } from './speed';

/** Share of readings taken with one of the usual mistakes, where many mistakes are made. */
const MISTAKES = 0.06;

const words = process.argv.slice(2);
const setting = settingOf(words);
const careful = fullSets(setting);
const once = fullSets(setting, { oneMistake: true });
const often = fullSets(setting, { mistakes: MISTAKES });
const followed = following(setting);
const two = pairs(setting);
const packed = packs(setting);

const rows = [
  ...fullRows(careful, once, often),
  ...followingRows(followed),
  ...two.rows,
  ...packed.rows,
  ...speed(setting),
];
console.log('| what | judge | aim | plain limits |\n| --- | --- | --- | --- |');
for (const row of rows) console.log(`| ${row.join(' | ')} |`);
console.log('\n| said | true | cases |\n| --- | --- | --- |');
for (const { predicted, truths, count } of careful.bins)
  if (count > 0) console.log(`| ${(predicted / count).toFixed(2)} | ${(truths / count).toFixed(2)} | ${count} |`);
if (words.includes('--careful')) console.log(`\n${bolderOrMoreCareful(setting).join('\n')}`);
if (words.includes('--misses'))
  for (const [name, { sorted }] of [
    ['full sets', careful.misses],
    ['one mistake', once.misses],
    ['following next', followed.wrong],
    ['pairs', two.misses],
    ['packs', packed.misses],
  ] as const)
    console.error(`${name}:\n  ${sorted.map(([what, count]) => `${count} ${what}`).join('\n  ')}`);

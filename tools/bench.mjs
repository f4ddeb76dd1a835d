/** `npm run bench`: speed as figures and as ratios to a named reference of the same run; writes docs/benchmarks.md. */
import { benchFirstLoad } from './bench/first-load.mjs';
import { benchJudgeLines } from './bench/judge-lines.mjs';
import { benchKeyToGrade } from './bench/key-to-grade.mjs';
import { benchCountInStep, benchLiveUpdate } from './bench/live-update.mjs';
import { withServedApplication } from './bench/served.mjs';
import { writeSection } from './bench/write-section.mjs';
import { buildCli, buildClient, buildServer } from './setup/build.mjs';
import { fail, step } from './setup/steps.mjs';

async function main() {
  for (const build of [buildServer, buildCli, buildClient]) await build();
  const rows = [await step('judge --lines', benchJudgeLines, ({ figure }) => figure)];
  await withServedApplication(async (url, browser) => {
    rows.push(
      await step(
        'first load',
        () => benchFirstLoad(url, browser),
        ({ figure }) => figure,
      ),
    );
    rows.push(
      await step(
        'key to grade',
        () => benchKeyToGrade(url, browser),
        ({ figure }) => figure,
      ),
    );
    rows.push(
      await step(
        'live update',
        () => benchLiveUpdate(url, browser),
        ({ figure }) => figure,
      ),
    );
    rows.push(
      await step(
        'count in step',
        () => benchCountInStep(url, browser),
        ({ figure }) => figure,
      ),
    );
  });
  const table = [
    '| what | figure | aim | ratio to its reference |',
    '| --- | --- | --- | --- |',
    ...rows.map(
      ({ name, figure, aim, reference, ratio, met }) =>
        `| ${name} | ${figure} | ${aim}${met ? '' : ' (missed)'} | ${ratio.toFixed(2)} × ${reference} |`,
    ),
  ].join('\n');
  await writeSection('speed', table);
  console.log(`\n${table}`);
}

main().catch(fail);

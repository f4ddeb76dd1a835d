/** `npm run bench`: speed as figures and as ratios to a named reference of the same run; writes docs/benchmarks.md. */
import { benchCaptureRead } from './bench/capture-read.mjs';
import { benchCaptureZoom } from './bench/capture-zoom.mjs';
import { benchFirstLoad } from './bench/first-load.mjs';
import { benchJudgeInBrowser } from './bench/judge-in-browser.mjs';
import { benchJudgeLines } from './bench/judge-lines.mjs';
import { benchKeyToGrade } from './bench/key-to-grade.mjs';
import { benchLiveInstruments } from './bench/live-instruments.mjs';
import { benchCountInStep, benchLiveUpdate } from './bench/live-update.mjs';
import { benchOfflineScreens } from './bench/offline-screens.mjs';
import { benchBayFrames, benchBaySolved } from './bench/practice-bay.mjs';
import { benchLayoutShift, benchLongFloor, benchRouteChange } from './bench/screens.mjs';
import { withServedApplication } from './bench/served.mjs';
import { benchVehicleInTime } from './bench/vehicle-in-time.mjs';
import { writeSection } from './bench/write-section.mjs';
import { buildCli, buildClient, buildServer } from './setup/build.mjs';
import { fail, step } from './setup/steps.mjs';

/** What is measured on the served application, by name. */
const IN_THE_BROWSER = [
  ['first load', benchFirstLoad],
  ['a judgement in the browser', benchJudgeInBrowser],
  ['key to grade', benchKeyToGrade],
  ['change of screen', benchRouteChange],
  ['long floor', benchLongFloor],
  ['layout shift', benchLayoutShift],
  ['guide and desk offline', benchOfflineScreens],
  ['live update', benchLiveUpdate],
  ['count in step', benchCountInStep],
  ['zoom of a capture', benchCaptureZoom],
  ['frames of the practice bay', benchBayFrames],
];

async function main() {
  for (const build of [buildServer, buildCli, buildClient]) await build();
  const rows = [
    await step('judge --lines', benchJudgeLines, ({ figure }) => figure),
    ...(await step('reading a capture', benchCaptureRead, ([{ figure }]) => figure)),
  ];
  rows.push(...(await step('vehicle in time', benchVehicleInTime, ([{ figure }]) => figure)));
  rows.push(await step('vehicles solved in the practice bay', benchBaySolved, ({ figure }) => figure));
  await withServedApplication(async (url, browser, { pid }) => {
    for (const [name, bench] of IN_THE_BROWSER)
      rows.push(
        await step(
          name,
          () => bench(url, browser),
          ({ figure }) => figure,
        ),
      );
    const live = await step(
      'live instruments',
      () => benchLiveInstruments(url, browser, { pid }),
      ([{ figure }]) => figure,
    );
    rows.push(...live);
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

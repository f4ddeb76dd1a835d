/**
 * Test files that start processes take longest: they come first, so that the others are done beside them. Once a run it is told
 * by which seed its properties draw.
 */
const { readFileSync } = require('node:fs');
const { default: Sequencer } = require('@jest/test-sequencer');
const seed = require('./property-seed.cjs');

const startsProcesses = ({ path }) => readFileSync(path, 'utf8').includes("'node:child_process'");

module.exports = class extends Sequencer {
  sort(tests) {
    process.stderr.write(`Properties draw with PROPERTY_SEED=${seed}\n`);
    const sorted = super.sort(tests);
    return [...sorted.filter(startsProcesses), ...sorted.filter((test) => !startsProcesses(test))];
  }
};

/** Test files that start processes take longest: they come first, so that the others are done beside them. */
const { readFileSync } = require('node:fs');
const { default: Sequencer } = require('@jest/test-sequencer');

const startsProcesses = ({ path }) => readFileSync(path, 'utf8').includes("'node:child_process'");

module.exports = class extends Sequencer {
  sort(tests) {
    const sorted = super.sort(tests);
    return [...sorted.filter(startsProcesses), ...sorted.filter((test) => !startsProcesses(test))];
  }
};

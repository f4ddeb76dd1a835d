/** Asks a server whether it lives, again and again, and prints how long the answers took when its input ends. */
import { setTimeout as wait } from 'node:timers/promises';

const [url] = process.argv.slice(2);
const PAUSE_MS = 20;
const took = [];
let isOver = false;
process.stdin.resume().on('end', () => (isOver = true));
while (!isOver) {
  const begun = performance.now();
  await fetch(`${url}/api/health`)
    .then((answer) => answer.arrayBuffer())
    .catch(() => undefined);
  took.push(performance.now() - begun);
  await wait(PAUSE_MS);
}
took.sort((a, b) => a - b);
const at = (share) => took[Math.floor(share * (took.length - 1))];
console.log(JSON.stringify({ asked: took.length, medianMs: at(0.5), p99Ms: at(0.99), longestMs: at(1) }));

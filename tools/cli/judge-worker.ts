/** A worker thread that judges batches of lines for `judge --lines`. */
import { parentPort, workerData } from 'node:worker_threads';
import { schoolById } from '@tetrad/core';
import type { InputLine } from './input-lines';
import { judgeText } from './judge-text';

const criteria = schoolById(workerData as string);
if (!criteria) throw new Error(`unknown criteria set ${String(workerData)}`);
const encoder = new TextEncoder();

parentPort?.on('message', ({ batch, lines }: { batch: number; lines: readonly InputLine[] }) => {
  const { output, anyRefused } = judgeText(lines, criteria);
  const bytes = encoder.encode(output);
  parentPort?.postMessage({ batch, bytes, anyRefused }, [bytes.buffer]);
});

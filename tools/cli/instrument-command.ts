/** `instrument ADDRESS`: who answers there, and with --watch what it reads, so that a shop can try its own meter. */
import type { Command } from 'commander';
import { INSTRUMENT_FUNCTIONS, INSTRUMENT_FUNCTION_NAMES, instrumentAddress } from '@tetrad/core';
import { InstrumentLink } from '../../server/src/instruments/live/instrument-link';
import type { LiveState } from '@tetrad/core';
import { InputError } from './input-error';
import { UsageError } from './usage-error';

/** Without --watch it has so long to answer, ms. */
const PATIENCE_MS = 4000;

interface Options {
  readonly watch: boolean;
  readonly use: string;
  readonly scale?: string;
}

export function addInstrumentCommand(program: Command): void {
  program
    .command('instrument <address>')
    .summary('try an instrument that is read over TCP')
    .description('Asks an instrument (IEEE 488.2, SCPI; docs/instruments.md) who it is, and reads it.')
    .option('--watch', 'print every value and every problem until Ctrl-C', false)
    .option('--use <function>', INSTRUMENT_FUNCTION_NAMES.join(', '), 'volts-dc')
    .option('--scale <mV per A>', 'of a clamp that gives volts')
    .action(tryInstrument);
}

async function tryInstrument(given: string, { watch, use: named, scale }: Options): Promise<void> {
  const address = instrumentAddress(given);
  if (!address) throw new UsageError(`${given} is no address; allowed is tcp://host:port`);
  const use = INSTRUMENT_FUNCTION_NAMES.find((name) => name === named);
  if (!use) throw new UsageError(`--use is ${named}; allowed are ${INSTRUMENT_FUNCTION_NAMES.join(', ')}`);
  const perAmp = scale === undefined ? null : Number(scale);
  if (perAmp !== null && !(perAmp > 0)) throw new UsageError(`--scale is ${scale}; it must be a number above 0`);
  const { unit } = INSTRUMENT_FUNCTIONS[use];
  const told = (state: LiveState): string => {
    if (state.state === 'value') return `${state.value} ${unit}`;
    if (state.state === 'over-range') return 'over range';
    return state.state === 'lost' ? `not read: ${state.why}` : 'connecting';
  };
  await new Promise<void>((resolve, reject) => {
    let who = '';
    const end = (): void => {
      clearTimeout(late);
      link.close();
      const { values, strays, reconnects } = link.counts;
      if (watch)
        console.error(`${values} values, ${strays} lines that were no answer, ${reconnects} times connected anew`);
      resolve();
    };
    const late = setTimeout(() => {
      if (watch) return;
      link.close();
      reject(new InputError(`${given} gave no value within ${PATIENCE_MS / 1000} s`));
    }, PATIENCE_MS);
    const onState = (state: LiveState): void => {
      // told by the link as it begins, before it can be asked anything
      queueMicrotask(() => {
        const identity = link.identity ?? '';
        if (identity !== who) console.log((who = identity));
        if (watch) console.log(told(state));
        else if (state.state === 'lost') {
          link.close();
          clearTimeout(late);
          reject(new InputError(`${given}: ${state.why}`));
        } else if (state.state !== 'connecting') {
          console.log(told(state));
          end();
        }
      });
    };
    const link = new InstrumentLink(address, use, { onState }, perAmp);
    process.once('SIGINT', end);
  });
}

/** The command line: reads its words and hands over to one command. */
import { analyseCommand } from './analyse-command';
import { judgeCommand } from './judge-command';
import { simulateCommand } from './simulate-command';
import { UsageError } from './usage-error';

const USAGE = `tetrad judge [--criteria ID] [--lines] [FILE…]
    judges each case file, or standard input where no file is given
tetrad analyse FILE [--cylinders N] [--volts-column NAME] [--amps-column NAME] [--amps-per-volt X]
               [--full-scale-volts V] [--full-scale-amps A] [--data]
    takes a recorded waveform apart (CSV, WAV, tetrad-capture/1); --full-scale for a WAV; --data adds the samples
tetrad simulate [--fault NAME] [--severity 0..1] [--seed N] [--capture FILE.csv]
    writes a case, and the capture behind it, from the circuit model`;

const COMMANDS: Readonly<Record<string, (words: readonly string[]) => Promise<number>>> = {
  analyse: analyseCommand,
  judge: judgeCommand,
  simulate: simulateCommand,
};

async function main(): Promise<number> {
  const [name, ...words] = process.argv.slice(2);
  const command = name === undefined ? undefined : COMMANDS[name];
  if (!command) {
    console.error(name === undefined ? USAGE : `tetrad: ${name} is no command.\n${USAGE}`);
    return 2;
  }
  try {
    return await command(words);
  } catch (error) {
    if (!(error instanceof UsageError)) throw error;
    console.error(`tetrad ${name}: ${error.message}\n${USAGE}`);
    return 2;
  }
}

process.stdout.on('error', (error: NodeJS.ErrnoException) => process.exit(error.code === 'EPIPE' ? 0 : 1));
process.exitCode = await main();

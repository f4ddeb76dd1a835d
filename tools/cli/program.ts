/** The command line: names, options and help of every command, and what its exit status says. */
import { Command, CommanderError } from 'commander';
import { addAnalyseCommand } from './analyse-command';
import { addInstrumentCommand } from './instrument-command';
import { addJudgeCommand } from './judge-command';
import { addSimulateCommand } from './simulate-command';
import { addStandInCommand } from './stand-in-command';
import { InputError } from './input-error';
import { UsageError } from './usage-error';

/** Exit status: done, a bad input or a command that failed, wrong usage. */
export const EXIT = { done: 0, failed: 1, usage: 2 } as const;

const MANUAL = `
Exit status: 0 done, 1 a bad input or a failure (standard error names it), 2 wrong usage.
More on one command: tetrad help COMMAND`;

/**
 * Runs one command to its end.
 *
 * @param words The words after the program's name.
 * @param version The product's version.
 * @param addMore Adds the administrator's commands.
 * @returns the exit status.
 */
export async function runProgram(
  words: readonly string[],
  version: string,
  addMore: (program: Command) => void,
): Promise<number> {
  const program = new Command('tetrad')
    .description('Judges battery, starter and alternator of a vehicle from case files; reads captures; simulates.')
    .version(version, '-V, --version', 'print the version')
    .helpOption('-h, --help', 'print help')
    .addHelpText('after', MANUAL)
    .showHelpAfterError('Try: tetrad --help')
    .exitOverride();
  addJudgeCommand(program);
  addAnalyseCommand(program);
  addSimulateCommand(program);
  addInstrumentCommand(program);
  addStandInCommand(program);
  addMore(program);
  for (const command of everyCommand(program))
    command
      .helpOption('-h, --help', 'print help')
      .showHelpAfterError(`Try: ${pathOf(command)} --help`)
      .exitOverride();
  process.stdout.on('error', outputFailed);
  try {
    if (words.length === 0) program.help({ error: true });
    await program.parseAsync([...words], { from: 'user' });
    return Number(process.exitCode ?? EXIT.done);
  } catch (error) {
    return statusOf(error, words[0]);
  }
}

/** Output that nobody reads any more ends it quietly; a full disk is told. */
function outputFailed(error: NodeJS.ErrnoException): void {
  if (error.code === 'EPIPE') process.exit(EXIT.done);
  console.error(`tetrad: the output could not be written: ${error.message}`);
  process.exit(EXIT.failed);
}

function statusOf(error: unknown, name = ''): number {
  // commander has told what is wrong itself
  if (error instanceof CommanderError) return error.exitCode === 0 ? EXIT.done : EXIT.usage;
  if (error instanceof UsageError) {
    console.error(`tetrad ${name}: ${error.message}\nTry: tetrad ${name} --help`);
    return EXIT.usage;
  }
  if (error instanceof InputError) {
    console.error(`tetrad ${name}: ${error.message}`);
    return EXIT.failed;
  }
  throw error;
}

function* everyCommand(command: Command): Generator<Command> {
  for (const child of command.commands) {
    yield child;
    yield* everyCommand(child);
  }
}

const pathOf = (command: Command): string =>
  command.parent ? `${pathOf(command.parent)} ${command.name()}` : command.name();

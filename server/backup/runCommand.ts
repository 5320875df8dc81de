import { messageOf } from '../../core/problem/index.ts';
import { Problem } from '../problem.ts';
import { StartError } from '../store/startError.ts';
import { BackupError } from './archive.ts';
import * as commands from './commands.ts';

/** Runs a command of the terminal, says what came of it, and ends the process. */
export async function runCommand(name: keyof typeof commands, args: readonly string[]): Promise<never> {
  try {
    const { text, code = 0 } = await commands[name](args);
    process.stdout.write(`${text}\n`);
    process.exit(code);
  } catch (error) {
    const isSentence = [StartError, BackupError, Problem].some((kind) => error instanceof kind);
    process.stderr.write(
      `${isSentence || !(error instanceof Error) ? messageOf(error) : (error.stack ?? error.message)}\n`,
    );
    process.exit(1);
  }
}

import { execFile } from 'node:child_process';
import { rm } from 'node:fs/promises';
import { promisify } from 'node:util';

const run = promisify(execFile);

/** With whose key a backup is closed: `age1…` by age, anything else by gpg, as a name of its key ring. */
const toolFor = (recipient: string, file: string): { tool: string; args: string[]; closed: string } =>
  recipient.startsWith('age1')
    ? { tool: 'age', args: ['--recipient', recipient, '--output', `${file}.age`, file], closed: `${file}.age` }
    : {
        tool: 'gpg',
        args: [
          '--batch',
          '--yes',
          '--trust-model',
          'always',
          '--recipient',
          recipient,
          '--output',
          `${file}.gpg`,
          '--encrypt',
          file,
        ],
        closed: `${file}.gpg`,
      };

/** Encrypts a file for a recipient and removes the open one. Throws a sentence where it cannot: then the open one is removed too. */
export async function closeFor(recipient: string, file: string): Promise<string> {
  const { tool, args, closed } = toolFor(recipient, file);
  try {
    await run(tool, args);
    return closed;
  } catch (error) {
    const { stderr, message } = error as { stderr?: string; message: string };
    throw new Error(`${tool} could not encrypt it: ${(stderr || message).split('\n')[0]}`);
  } finally {
    await rm(file, { force: true });
  }
}

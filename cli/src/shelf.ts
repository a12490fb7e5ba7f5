import { createInterface } from 'node:readline/promises';
import { Writable } from 'node:stream';
import { BadInput } from './bad-input.js';
import type { Report } from './report.js';

type Upkeep = typeof import('@yurei/server/upkeep');

/** Work on the shelf of a server. Only these commands need the server's part of the program, so only they load it. */
async function withShelf(work: (upkeep: Upkeep) => string | Promise<string>): Promise<Report> {
  const upkeep = await import('@yurei/server/upkeep');
  try {
    const text = await work(upkeep);
    return { text, json: { text }, exitCode: 0 };
  } catch (error) {
    throw error instanceof upkeep.StartError ? new BadInput(error.message) : error;
  }
}

export const backUp = (file: string, data?: string): Promise<Report> =>
  withShelf((upkeep) => upkeep.backUp(upkeep.dataFolder(data), file));

export const restore = (file: string, data?: string): Promise<Report> =>
  withShelf((upkeep) => upkeep.restore(upkeep.dataFolder(data), file));

export const exportAll = (file: string, data?: string): Promise<Report> =>
  withShelf((upkeep) => upkeep.exportAll(upkeep.dataFolder(data), file));

export const importAll = (file: string, data?: string): Promise<Report> =>
  withShelf((upkeep) => upkeep.importAll(upkeep.dataFolder(data), file));

/** Asks for the passcode without showing it; from another program it is one line of standard input. */
export const passcode = (data?: string): Promise<Report> =>
  withShelf(async (upkeep) => upkeep.passcode(upkeep.dataFolder(data), await asked()));

async function asked(): Promise<string> {
  const silent = new Writable({ write: (_chunk, _encoding, done) => done() });
  const terminal = process.stdin.isTTY === true;
  if (terminal) process.stderr.write('Passcode (it is not shown): ');
  const lines = createInterface({ input: process.stdin, output: silent, terminal });
  try {
    for await (const line of lines) return line;
    throw new BadInput('No passcode was given. Nothing was changed.');
  } finally {
    lines.close();
    if (terminal) process.stderr.write('\n');
  }
}

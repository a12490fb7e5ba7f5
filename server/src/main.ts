import { readFile, readdir } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { pino } from 'pino';
import { isLoopback } from './access/hosts.js';
import { readConfig, StartError } from './config.js';
import { startServer } from './start-server.js';

/** The demo design to begin with: imported last, so that it lies on top. */
const onTop = 'slipway-beam.yurei.json';

/** Puts the demo designs on a new, empty shelf, through the same door as any other file, with the answers they came with. */
async function importDemo(address: string, root: string): Promise<void> {
  const folder = join(root, 'demo');
  const files = (await readdir(folder)).filter((f) => f.endsWith('.yurei.json')).sort();
  const answers = JSON.parse(
    await readFile(join(root, 'server/demo-answers.json'), 'utf8'),
  ) as Record<string, unknown>;
  for (const file of [...files.filter((f) => f !== onTop), onTop]) {
    const body = await readFile(join(folder, file), 'utf8');
    const headers = { 'Content-Type': 'application/json' };
    const response = await fetch(`${address}api/import?as=example`, {
      method: 'POST',
      headers,
      body,
    });
    if (!response.ok)
      throw new StartError(`Demo file ${file} was refused: ${await response.text()}`);
    const { id, version } = (await response.json()) as { id: string; version: number };
    await fetch(`${address}api/designs/${id}/answers`, {
      method: 'PUT',
      headers,
      body: JSON.stringify({ version, answers: answers[file] ?? [] }),
    });
  }
}

async function main(): Promise<void> {
  const root = resolve(import.meta.dirname, '../..');
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
  const config = readConfig(process.env, root);
  const server = await startServer(config, log);
  const stop = (): void => {
    void server.stop().then(() => process.exit(0));
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
  if (server.fresh && process.argv.includes('--demo')) {
    await importDemo(server.address, root);
  }
  const opened = isLoopback(config.host)
    ? ''
    : '\nIt is open to the network and asks for the passcode. What is sent is not encrypted: use it in a network that you trust.';
  console.log(`Yurei is at ${server.address} (Ctrl C stops it)${opened}`);
}

main().catch((error: unknown) => {
  if (!(error instanceof StartError)) throw error;
  console.error(error.message);
  process.exit(1);
});

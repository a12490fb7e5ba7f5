import { spawn, type ChildProcess } from 'node:child_process';
import { resolve } from 'node:path';

const root = resolve(process.env['YUREI_ROOT'] ?? process.cwd());

export interface AppServer {
  address: string;
  /** Ends it like a power cut. */
  kill: () => Promise<void>;
  /** Asks it to stop and waits until it has. */
  stop: () => Promise<void>;
}

/**
 * Starts the real server as a program of its own.
 *
 * @param data folder of its database
 * @param port 0 takes a free one
 * @param env settings beside the usual ones
 */
export function startApp(
  data: string,
  port = 0,
  env: Record<string, string> = {},
): Promise<AppServer> {
  const child = spawn(process.execPath, [resolve(root, 'server/dist/main.js'), '--demo'], {
    env: { ...process.env, YUREI_DATA: data, PORT: String(port), HOST: '127.0.0.1', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  return new Promise((done, fail) => {
    let output = '';
    const read = (chunk: Buffer): void => {
      output += chunk.toString();
      const address = /(http:\/\/\S+)/.exec(output)?.[1];
      if (address)
        done({ address, kill: () => end(child, 'SIGKILL'), stop: () => end(child, 'SIGTERM') });
    };
    child.stdout.on('data', read);
    child.stderr.on('data', read);
    child.once('exit', (code) => fail(new Error(`The server ended with ${code}: ${output}`)));
  });
}

function end(child: ChildProcess, signal: NodeJS.Signals): Promise<void> {
  if (child.exitCode !== null) return Promise.resolve();
  return new Promise((done) => {
    child.once('exit', () => done());
    child.kill(signal);
  });
}

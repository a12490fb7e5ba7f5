import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';

export interface Answer {
  status: number;
  type: string;
  // What comes back is looked at field by field.
  body: Record<string, never> & Record<string, unknown>;
}

/** The built server as a program of its own, which can be killed. `npm run build` first. */
export class ChildServer {
  private constructor(
    readonly address: string,
    readonly child: ChildProcess,
    readonly said: () => string,
  ) {}

  /** @param data folder of its database; @param env settings beside the usual ones */
  static async start(
    data: string,
    env: Record<string, string> = {},
    args: string[] = [],
  ): Promise<ChildServer> {
    const child = spawn(process.execPath, [...args, resolve('server/dist/main.js')], {
      env: {
        ...process.env,
        HOST: '127.0.0.1',
        PORT: '0',
        YUREI_DATA: data,
        LOG_LEVEL: 'fatal',
        ...env,
      },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let output = '';
    child.stdout.on('data', (chunk) => (output += chunk));
    child.stderr.on('data', (chunk) => (output += chunk));
    const address = await new Promise<string>((done, fail) => {
      child.stdout.on('data', () => {
        const found = /(http:\/\/\S+)/.exec(output)?.[1];
        if (found) done(found.replace('0.0.0.0', '127.0.0.1'));
      });
      child.once('exit', (code) => fail(new Error(`ended with ${code}: ${output}`)));
    });
    return new ChildServer(address, child, () => output);
  }

  get running(): boolean {
    return this.child.exitCode === null && this.child.signalCode === null;
  }

  /** Ends it like a power cut of the program. */
  kill(): Promise<void> {
    return this.end('SIGKILL');
  }

  stop(): Promise<void> {
    return this.end('SIGTERM');
  }

  async call(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer> {
    const response = await fetch(`${this.address}api${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...headers,
      },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
    });
    const text = await response.text();
    const type = response.headers.get('content-type') ?? '';
    return { status: response.status, type, body: type.includes('json') ? JSON.parse(text) : {} };
  }

  /** Memory that it uses, MB. */
  get memory(): number {
    const [, kB] =
      /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${this.child.pid}/status`, 'utf8')) ?? [];
    return Number(kB) / 1000;
  }

  private async end(signal: NodeJS.Signals): Promise<void> {
    if (!this.running) return;
    const over = once(this.child, 'exit');
    this.child.kill(signal);
    await over;
  }
}

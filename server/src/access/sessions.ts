import { randomBytes } from 'node:crypto';
import type { IncomingMessage } from 'node:http';

/** How long someone stays signed in, s. */
export const sessionSeconds = 30 * 24 * 3600;
/** More at once than a house has devices; the oldest is forgotten. */
const mostSessions = 100;
const cookie = 'yurei-session';

/** Who is signed in. Kept in memory: a restart of the server signs everyone out. */
export class Sessions {
  private readonly until = new Map<string, number>();

  /** @returns the header that gives a new session to a browser */
  open(): string {
    const key = randomBytes(32).toString('base64url');
    const [oldest] = this.until.keys();
    if (this.until.size >= mostSessions && oldest) this.until.delete(oldest);
    this.until.set(key, performance.now() + 1000 * sessionSeconds);
    return `${cookie}=${key}; HttpOnly; SameSite=Strict; Path=/; Max-Age=${sessionSeconds}`;
  }

  /** @returns the header that takes a session from a browser */
  close(request: IncomingMessage): string {
    this.until.delete(keyOf(request));
    return `${cookie}=; HttpOnly; SameSite=Strict; Path=/; Max-Age=0`;
  }

  has(request: IncomingMessage): boolean {
    return (this.until.get(keyOf(request)) ?? -Infinity) > performance.now();
  }
}

const keyOf = ({ headers }: IncomingMessage): string =>
  new RegExp(`(?:^|;\\s*)${cookie}=([\\w-]{43})(?:;|$)`).exec(headers.cookie ?? '')?.[1] ?? '';

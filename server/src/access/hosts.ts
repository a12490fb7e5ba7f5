import type { IncomingHttpHeaders } from 'node:http';
import { isIPv6 } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';

const loopback = ['localhost', '127.0.0.1', '[::1]'];
const everywhere = ['0.0.0.0', '::'];

/** Whether only this machine can reach an address. */
export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || /^127(\.\d{1,3}){3}$/.test(host);

/** An address as it stands in a Host header. */
export const inHeader = (host: string): string => (isIPv6(host) ? `[${host}]` : host);

/**
 * The names under which this server may be asked, lower case and without port: loopback, the address it listens on, and
 * names that were set. Listening everywhere, the addresses of this machine count; a name that someone else gives to
 * one of them does not (DNS rebinding).
 */
export function allowedHosts(host: string, names: readonly string[]): ReadonlySet<string> {
  const own = everywhere.includes(host)
    ? [
        hostname(),
        ...Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map((i) => i.address)),
      ]
    : [host];
  return new Set([...loopback, ...[...own, ...names].map((name) => inHeader(name).toLowerCase())]);
}

/** Why a request is refused before anything of it is looked at; undefined when it may go on. */
export function refusal(
  headers: IncomingHttpHeaders,
  allowed: ReadonlySet<string>,
): string | undefined {
  const host = headers.host?.toLowerCase() ?? '';
  if (!allowed.has(host.replace(/:\d{1,5}$/, '')))
    return 'This server is not known under the name it was asked by. Open it by its own address, or set YUREI_NAMES.';
  return undefined;
}

/** Whether a page of another site asks, as far as its browser tells; programs outside a browser tell nothing. */
export function isForeign({ origin, host, 'sec-fetch-site': site }: IncomingHttpHeaders): boolean {
  if (site === 'cross-site' || site === 'same-site') return true;
  if (origin === undefined) return false;
  return !URL.canParse(origin) || new URL(origin).host !== host?.toLowerCase();
}

import { splitRef, terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { findKind, paramsOf } from './catalog.js';
import { pinReached } from './leads-to-pin.js';
import type { Params, Readout } from './part-kind.js';

/** What words of 16 bits, the high byte first, say of a reading. */
export type Held =
  /** The reading itself. */
  | { words: 'counts' }
  /** 65535 stands for so many counts. */
  | { words: 'share'; of: number }
  /** Two words, the high one first, make one number; its highest bit is left out. */
  | { words: 'number' }
  /** Two words with sign, x and y: ten counts a degree of their angle, 1800 at nothing. */
  | { words: 'angle' };

/** How the program of a controller takes a number from a part. */
export type Asked<V = Params, K extends string = string> =
  /** Over a two-wire bus, from a register on. */
  | { by: 'register'; address(params: V): number; register(params: V): number; holds: Held }
  /** How long a pulse is that comes after one that asks for it, µs; so many where none comes. */
  | { by: 'echo'; trigger: K; echo: K; none: number }
  /** How long a pin's pull-up takes to charge it: so many µs a nanofarad; the other end is driven low. */
  | { by: 'charge'; from: K; at: K; perNano(params: V): number }
  /** What a touch pin counts, which goes with one through the capacitance; their product. */
  | { by: 'touch'; at: K; product(params: V): number };

/** The same of one part in a design, with the pins of controllers that its terminals lead to. */
export type AskedAt =
  | { by: 'register'; address: number; register: number; holds: Held; data: Pin; clock: Pin }
  | { by: 'echo'; trigger: Pin; echo: Pin; none: number }
  | { by: 'charge'; from: Pin; at: Pin; perNano: number }
  | { by: 'touch'; at: Pin; product: number };
type Pin = TerminalRef | undefined;

/** How a readout such as "B4.proximity" is taken; undefined where that is no readout, or it is not known. */
export function askedAt(design: Design, ref: TerminalRef): AskedAt | undefined {
  const { part: id, terminal } = splitRef(ref);
  const part = design.parts.find((p) => p.id === id);
  const kind = part && findKind(part.kind);
  const asked: Readout['asked'] = kind?.reads?.find((r) => r.id === terminal)?.asked;
  if (!part || !asked) return undefined;
  const params = paramsOf(part);
  const pin = (own: string | undefined): Pin =>
    own === undefined ? undefined : pinReached(design, terminalRef(id, own));
  switch (asked.by) {
    case 'register':
      return {
        ...{ by: 'register', holds: asked.holds },
        ...{ address: asked.address(params), register: asked.register(params) },
        ...{ data: pin(kind?.bus?.data), clock: pin(kind?.bus?.clock) },
      };
    case 'echo':
      return { ...asked, trigger: pin(asked.trigger), echo: pin(asked.echo) };
    case 'charge':
      return {
        ...{ by: 'charge', perNano: asked.perNano(params) },
        ...{ from: pin(asked.from), at: pin(asked.at) },
      };
    case 'touch':
      return { by: 'touch', at: pin(asked.at), product: asked.product(params) };
  }
}

/** The words that a chip holds when it reads so many counts. */
export function wordsOf(held: Held, counts: number): number[] {
  switch (held.words) {
    case 'counts':
      return [counts];
    case 'share':
      return [Math.round((65_535 * counts) / held.of)];
    case 'number':
      return [Math.floor(counts / 65_536) & 0x7fff, counts & 0xffff];
    case 'angle': {
      const angle = ((counts - 1800) / 1800) * Math.PI;
      return [Math.cos(angle), Math.sin(angle)].map((v) => Math.floor(30_000 * v) & 0xffff);
    }
  }
}

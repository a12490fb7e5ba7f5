import { splitRef, type Design, type Net } from '../design/index.js';
import { paramsOf, findKind } from './catalog.js';
import type { Terminal } from './part-kind.js';

/** What a net carries, by the roles of the terminals on it. */
export type NetNature = 'ground' | 'supply' | 'signal' | 'mains';

/** A net with the name a maker would call it by. */
export interface NamedNet extends Net {
  name: string;
  nature: NetNature;
}

/**
 * Names a net: "GND" for ground, the supply's terminal for a supply, mains by its first end, the controller pin where there
 * is one, else the terminal that drives it, else the one it feeds, else two of those it joins.
 */
export function nameNet(design: Design, net: Net): NamedNet {
  const ends = net.terminals.map((ref) => ({ ref, terminal: terminalOf(design, ref) }));
  if (ends.some((e) => e.terminal?.role === 'ground')) {
    return { ...net, name: 'GND', nature: 'ground' };
  }
  const supply = ends.find((e) => e.terminal?.role === 'supply-out');
  if (supply) return { ...net, name: supplyName(design, supply.ref), nature: 'supply' };
  const mains = ends.find((e) => e.terminal?.role === 'mains');
  if (mains) return { ...net, name: `mains at ${mains.ref}`, nature: 'mains' };
  const pin = ends.find((e) => e.terminal?.role === 'pin');
  const driver = ends.find((e) => e.terminal?.role === 'signal-out');
  if (pin) return { ...net, name: splitRef(pin.ref).terminal, nature: 'signal' };
  if (driver) return { ...net, name: driver.ref, nature: 'signal' };
  // Fed through a fuse or a diode: nothing on it drives, something on it is driven.
  const fed = ends.find((e) => e.terminal?.role === 'supply-in');
  if (fed) {
    const nature = switchesLoads(design, ends) ? 'signal' : 'supply';
    return { ...net, name: fed.ref, nature };
  }
  return { ...net, name: net.terminals.slice(0, 2).join('–'), nature: 'signal' };
}

/** Whether a net comes through a contact and feeds nothing but what acts: a wire to a load, rather than a supply of its own. */
const switchesLoads = (
  design: Design,
  ends: readonly { ref: string; terminal?: Terminal }[],
): boolean =>
  ends.some((e) => e.terminal?.role === 'contact') &&
  ends.every(({ ref, terminal }) => {
    const part = design.parts.find((p) => p.id === splitRef(ref).part);
    return terminal?.role !== 'supply-in' || (part && findKind(part.kind)?.stage === 'acts');
  });

/** The terminal a reference points to, if part, kind and terminal exist. */
export function terminalOf(design: Design, ref: string): Terminal | undefined {
  const { part: id, terminal } = splitRef(ref);
  const part = design.parts.find((p) => p.id === id);
  return part && findKind(part.kind)?.terminals.find((t) => t.id === terminal);
}

/** "5 V" for a terminal that is labelled with its voltage, else the part's headline voltage. */
function supplyName(design: Design, ref: string): string {
  const { part: id, terminal } = splitRef(ref);
  const label = terminalOf(design, ref)?.label ?? '';
  if (/\d/.test(label)) return label;
  const part = design.parts.find((p) => p.id === id);
  const volts =
    part &&
    findKind(part.kind)
      ?.supplies?.find((s) => s.at === terminal)
      ?.volts(paramsOf(part));
  return volts === undefined ? `${id}.${label}` : `${volts} V`;
}

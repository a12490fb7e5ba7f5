import type { Design, TerminalRef } from '../design/index.js';
import { suppliesOf, wiringOf } from '../wiring/index.js';

/** Where a net is best joined: the terminal with most wires, where the currents of others part already. */
export function hubOf(design: Design, ref: TerminalRef): TerminalRef {
  const wires = (end: TerminalRef): number =>
    design.wires.filter((w) => w.from === end || w.to === end).length;
  const ends = wiringOf(design)
    .ends(ref)
    .map((e) => e.ref);
  return ends.reduce((a, b) => (wires(b) > wires(a) ? b : a), ends[0] ?? ref);
}

/** Ground and every supply: where most wires lead to. */
export function railsOf(design: Design): TerminalRef[] {
  const ground = wiringOf(design).ground();
  const supplies = suppliesOf(design).map((s) => s.ref);
  return [...(ground ? [ground] : []), ...supplies];
}

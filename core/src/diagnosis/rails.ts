import { kindOf } from '../catalog/index.js';
import { terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { wiringOf } from '../wiring/index.js';

/** Ground and every supply: where most wires lead to. */
export function railsOf(design: Design): TerminalRef[] {
  const ground = wiringOf(design).ground();
  const supplies = design.parts.flatMap((part) =>
    kindOf(part)
      .terminals.filter((t) => t.role === 'supply-out')
      .map((t) => terminalRef(part.id, t.id)),
  );
  return [...(ground ? [ground] : []), ...supplies];
}

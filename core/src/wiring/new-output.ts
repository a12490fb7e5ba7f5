import { terminalOf } from '../catalog/index.js';
import { freshId, splitRef, type Design, type Edit, type Output } from '../design/index.js';

/** Wired pins that could drive something and that no channel reads. */
export function pinsToDrive(design: Design): string[] {
  const read = new Set(design.channels.map((c) => c.pin));
  const wired = new Set(design.wires.flatMap((w) => [w.from, w.to]));
  return [...wired]
    .filter((ref) => terminalOf(design, ref)?.modes?.includes('output') && !read.has(ref))
    .sort();
}

/** The output on a pin, with the edits that set it up if there is none yet. */
export function outputOn(design: Design, pin: string): { output: Output; edits: Edit[] } {
  const known = design.outputs.find((o) => o.pin === pin);
  const id = freshId(
    'out',
    design.outputs.map((o) => o.id),
  );
  const output: Output = known ?? { id, name: splitRef(pin).terminal, pin, active: 'high' };
  return {
    output,
    edits: [
      { type: 'set-pin', pin, mode: 'output' },
      { type: 'put-output', output },
    ],
  };
}

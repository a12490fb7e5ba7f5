import { terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { kindOf } from './catalog.js';
import { pinConverter, type PinConverter } from './pin-converter.js';
import { pinLevel } from './pin-level.js';
import { readoutOf, type PartReadout } from './part-readout.js';
import type { SolvedPart } from './part-kind.js';

/** What a digital input reads when it is high; low is 0, in between half of it. */
export const highReading = 100;

/** How the controller takes a channel's readings: with its converter, as a level, or as a number from a part. */
export type ChannelReader =
  | ({ by: 'converter' } & PinConverter)
  | {
      by: 'level';
      full: number;
      noise: number;
      part: string;
      /** Undefined without a supply. */
      counts: (volts: number, solved: SolvedPart) => number | undefined;
    }
  | ({ by: 'readout' } & PartReadout);

/** The reader of a pin or readout; undefined when nothing there can be read. */
export function channelReader(design: Design, ref: TerminalRef): ChannelReader | undefined {
  const readout = readoutOf(design, ref);
  if (readout) return { by: 'readout', ...readout };
  const mode = design.controller.pins.find((p) => p.pin === ref)?.mode;
  const converter = pinConverter(design, ref);
  if (mode === 'input' || mode === 'pull-up' || !converter) {
    const part = ref.slice(0, ref.indexOf('.'));
    const known = design.parts.find((p) => p.id === part);
    if (!known || !kindOf(known).inputs) return undefined;
    const reading = { low: 0, either: highReading / 2, high: highReading };
    return {
      by: 'level',
      part,
      full: highReading,
      noise: 0,
      counts: (volts, solved) => {
        const level = pinLevel(design, ref, volts, solved);
        return level && reading[level];
      },
    };
  }
  return { by: 'converter', ...converter };
}

/** Everything in a design that a channel could read: wired pins of controllers, and readouts. */
export function readable(design: Design): TerminalRef[] {
  const wired = new Set(design.wires.flatMap((w) => [w.from, w.to]));
  return design.parts.flatMap((part) => {
    const kind = kindOf(part);
    const pins = kind.terminals
      .filter((t) => t.role === 'pin' && wired.has(terminalRef(part.id, t.id)))
      .map((t) => t.id);
    const readouts = (kind.reads ?? []).map((r) => r.id);
    return [...pins, ...readouts].map((id) => terminalRef(part.id, id));
  });
}

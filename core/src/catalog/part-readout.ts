import { splitRef, terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { leadsToPin } from './leads-to-pin.js';
import { findKind, paramsOf } from './catalog.js';
import type { Stimulus } from './surroundings.js';
import type { Readout, SolvedPart } from './part-kind.js';

/** A readout of a part in a design, with the part's parameters worked in. */
export interface PartReadout {
  part: string;
  label: string;
  /** Its counts name something. */
  names: boolean;
  full: number;
  /** Standard deviation of a reading, counts. */
  noise: number;
  /** Counts before rounding; undefined when the part does not answer. */
  counts: (stimulus: Stimulus, solved: SolvedPart) => number | undefined;
}

/** The readout that a reference like "B4.proximity" names; undefined when it names none. */
export function readoutOf(design: Design, ref: TerminalRef): PartReadout | undefined {
  const { part: id, terminal } = splitRef(ref);
  const part = design.parts.find((p) => p.id === id);
  const readout: Readout | undefined =
    part && findKind(part.kind)?.reads?.find((r) => r.id === terminal);
  if (!part || !readout) return undefined;
  const params = paramsOf(part);
  const full = readout.full(params);
  const joined = leadsToPin(
    design,
    readout.through.map((own) => terminalRef(id, own)),
  );
  return {
    part: id,
    label: readout.label,
    names: readout.names ?? false,
    full,
    noise: readout.noise(params),
    counts: (stimulus, solved) =>
      joined && readout.works(solved, params)
        ? Math.min(full, Math.max(0, readout.counts(stimulus, params, solved)))
        : undefined,
  };
}

import { kindOf, paramsOf } from '../catalog/index.js';
import { terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { branchOf } from './branch.js';
import { wiringOf } from './wiring.js';

/** The same little circuit several times: parts of each, alike ones in the same place. */
export interface Repeated {
  /** Of the first: the one to show. */
  parts: string[];
  /** The others, each in the order of the first. */
  others: string[][];
}

/**
 * Channels that are wired alike, each with its sensor and what stands between it and its pin: the same kinds
 * with the same values, joined in the same way, on the same rails.
 */
export function repeatedChannels(design: Design): Repeated[] {
  const sets = new Map<string, string[][]>();
  const taken = new Set<string>();
  for (const pin of [...new Set(design.channels.map((c) => c.pin))]) {
    const branch = branchOf(design, pin);
    if (branch.length === 0 || branch.some((id) => taken.has(id))) continue;
    branch.forEach((id) => taken.add(id));
    const labels = labelled(design, branch, pin);
    const ordered = [...branch].sort((a, b) =>
      (labels.get(a) ?? '').localeCompare(labels.get(b) ?? ''),
    );
    const signature = ordered.map((id) => labels.get(id)).join('|');
    sets.set(signature, [...(sets.get(signature) ?? []), ordered]);
  }
  return [...sets.values()].flatMap(([parts, ...others]) =>
    parts && others.length > 0 ? [{ parts, others }] : [],
  );
}

/** Rounds in which every part learns what its neighbours are: enough for a chain of this many parts. */
const rounds = 4;

/** A name for each part of a branch that is equal exactly for parts in the same place of equal branches. */
function labelled(
  design: Design,
  branch: readonly string[],
  pin: TerminalRef,
): Map<string, string> {
  const wiring = wiringOf(design);
  let labels = new Map(
    branch.map((id) => {
      const part = wiring.part(id);
      return [id, part ? `${part.kind}${JSON.stringify(paramsOf(part))}` : id] as const;
    }),
  );
  const neighbour = (ref: TerminalRef): string[] =>
    wiring.ends(ref).flatMap((end) => {
      if (end.ref === ref) return [];
      if (labels.has(end.part.id)) return [`${labels.get(end.part.id)}.${end.terminal.id}`];
      return [wiring.same(end.ref, pin) ? 'the pin' : wiring.net(end.ref)];
    });
  for (let round = 0; round < rounds; round++) {
    const before = labels;
    labels = new Map(
      branch.map((id) => {
        const part = wiring.part(id);
        const around = (part ? kindOf(part).terminals : []).map((t) =>
          [...new Set(neighbour(terminalRef(id, t.id)))].sort().join('+'),
        );
        return [id, hash(`${before.get(id)}(${around.join(',')})`)] as const;
      }),
    );
  }
  return labels;
}

/** A short text that stands for a long one (FNV-1a, 53 bits in two halves). */
function hash(text: string): string {
  let [a, b] = [0x811c9dc5, 0x01000193];
  for (let i = 0; i < text.length; i++) {
    a = Math.imul(a ^ text.charCodeAt(i), 0x01000193);
    b = Math.imul(b ^ text.charCodeAt(i), 0x85ebca6b);
  }
  return `${(a >>> 0).toString(36)}${(b >>> 0).toString(36)}`;
}

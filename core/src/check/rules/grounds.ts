import { kindOf } from '../../catalog/index.js';
import { splitRef, type TerminalRef } from '../../design/index.js';
import { Draft, type Wiring } from '../../wiring/index.js';
import type { Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { ohmsOf } from '../lookup.js';
import { decimals } from '../../quantity/index.js';
import { list } from '../words.js';

/** Below this a resistor in a return lead is a shunt, and no more leads a signal than copper does, Ω (common practice). */
const shunt = 10;

/** Ground nets: those on which a part has its ground, each with those terminals. */
function groundNets({ wiring }: Evidence): { net: TerminalRef; refs: TerminalRef[] }[] {
  return wiring.all().flatMap((net) => {
    const ends = wiring.ends(net.id);
    // A ground on a supply's net is the wrong way round, which other rules tell.
    if (ends.some((e) => e.terminal.role === 'supply-out')) return [];
    const refs = ends.filter((e) => e.terminal.role === 'ground');
    return refs.length > 0 ? [{ net: net.id, refs: refs.map((e) => e.ref) }] : [];
  });
}

/** Parts through which the return of a supply is led on purpose: a switch, a fuse, a shunt, a lead. */
const leadsReturn = (wiring: Wiring, a: TerminalRef, b: TerminalRef): boolean =>
  wiring.between(a, b).some((part) => {
    const { terminals, fuse, conductor, conducts, mosfet } = kindOf(part);
    const ohms = ohmsOf(part);
    const switches = terminals.length === 2 && terminals.every((t) => t.role === 'contact');
    return switches || !!fuse || !!conductor || !!conducts || !!mosfet || (ohms ?? shunt) < shunt;
  });

/** Ground nets in groups that copper, or what leads a return, joins; the largest first. */
function islands(evidence: Evidence): { refs: TerminalRef[]; nets: TerminalRef[] }[] {
  const groups: { refs: TerminalRef[]; nets: TerminalRef[] }[] = [];
  for (const { net, refs } of groundNets(evidence)) {
    const joined = groups.filter((g) => g.nets.some((n) => leadsReturn(evidence.wiring, n, net)));
    const merged = {
      nets: [net, ...joined.flatMap((g) => g.nets)],
      refs: [...refs, ...joined.flatMap((g) => g.refs)],
    };
    groups.splice(0, Infinity, ...groups.filter((g) => !joined.includes(g)), merged);
  }
  return groups.sort((a, b) => b.refs.length - a.refs.length);
}

export const groundSplit: Rule = {
  code: 'ground-split',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'Grounds that are not joined',
  bench:
    'Current looks for another way back, through signal wires and pins: readings wander, outputs switch nothing, pins die.',
  source: 'Kirchhoff’s current law; “all grounds joined” (common practice).',
  find: (evidence) => {
    const [main, ...others] = islands(evidence);
    if (!main) return [];
    return others.flatMap(({ refs, nets }): Found[] => {
      const parts = [...new Set(refs.map((ref) => splitRef(ref).part))];
      const [[apart], [home]] = [refs, main.refs];
      if (!apart || !home) return [];
      return [
        {
          subject: [...parts].sort().join('+'),
          title: `The ground of ${list(parts)} stands apart`,
          reason: `No wire leads from ${list(refs)} to ${home}, where ${main.refs.length} other grounds are${leaks(evidence, apart, home)}.`,
          about: [...parts, ...nets, ...refs],
          fix: {
            label: `Join ${apart} and ${home}`,
            edit: new Draft(evidence.design).join(apart, home).edit('join grounds'),
          },
        },
      ];
    });
  },
};

/** What a meter shows between two grounds, where something leaks across. */
function leaks({ quiet }: Evidence, a: TerminalRef, b: TerminalRef): string {
  const at = (ref: TerminalRef): number | undefined => {
    const { part, terminal } = splitRef(ref);
    return quiet.solution.parts[part]?.volts[terminal];
  };
  const [one, other] = [at(a), at(b)];
  if (one === undefined || other === undefined) return '';
  return `; a meter between them shows ${decimals(one - other, 2)} V`;
}

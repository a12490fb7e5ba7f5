import type { TerminalRef } from '../../design/index.js';
import { Draft, swapEnds } from '../../wiring/index.js';
import type { Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { list, wordsOf } from '../words.js';
import { aloneAt, sayAlone } from './counted.js';

/** A channel or an output, with the names of the parts that it really follows or moves. */
interface Use {
  id: string;
  name: string;
  pin: TerminalRef;
  parts: string[];
}

/** How many words of a name any of the parts has in its own. */
function affinity(name: string, parts: readonly string[]): number {
  const own = new Set(parts.flatMap((part) => [...wordsOf(part)]));
  return [...wordsOf(name)].filter((word) => own.has(word)).length;
}

/** Pairs in which each has the name of what the other one moves, and not of what it moves itself. */
const crossed = (uses: readonly Use[]): (readonly [Use, Use])[] =>
  uses.flatMap((a, i) =>
    uses
      .slice(i + 1)
      .filter(
        (b) =>
          a.pin !== b.pin &&
          seemsCrossed(
            [affinity(a.name, a.parts), affinity(b.name, b.parts)],
            [affinity(a.name, b.parts), affinity(b.name, a.parts)],
          ),
      )
      .map((b) => [a, b] as const),
  );

/** Neither name fits worse the other way about, and one of them better. */
const seemsCrossed = (own: readonly [number, number], other: readonly [number, number]): boolean =>
  own[0] <= other[0] && own[1] <= other[1] && (own[0] < other[0] || own[1] < other[1]);

function outputs({ design, alone, off, wiring }: Evidence): Use[] {
  return design.outputs.flatMap(({ id, name, pin }) => {
    const acting = [...(alone.get(id)?.acting ?? [])].filter((part) => !off.acting.has(part));
    const parts = acting.flatMap((part) => wiring.part(part)?.name ?? []);
    return parts.length > 0 ? [{ id, name, pin, parts }] : [];
  });
}

function channels({ design, sweeps, wiring }: Evidence): Use[] {
  return design.channels.flatMap(({ id, name, pin }) => {
    const followed = [...sweeps].filter(([, own]) =>
      own.some(({ states }) => new Set(states.map((s) => s.counts.get(id))).size > 1),
    );
    const labels = wiring.ends(pin).flatMap((e) => (e.ref === pin ? [] : [e.terminal.label]));
    const names = followed.flatMap(([part]) => wiring.part(part)?.name ?? []);
    const parts = [
      ...names,
      ...labels,
      ...followed.flatMap(([, own]) => aloneAt(own, id).map(sayAlone)),
    ];
    return parts.length > 0 ? [{ id, name, pin, parts }] : [];
  });
}

export const namesCrossed: Rule = {
  code: 'names-crossed',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'Two pins that seem to be exchanged',
  bench: 'The horn sounds where the lamp should light; a knob is read for a sensor.',
  source: 'Names of channels and outputs against those of the parts that they follow or move.',
  find: (evidence) =>
    [...crossed(outputs(evidence)), ...crossed(channels(evidence))].map(([a, b]): Found => {
      const draft = new Draft(evidence.design);
      swapEnds(draft, a.pin, b.pin);
      return {
        subject: [a.id, b.id].sort().join('+'),
        title: `${a.name} and ${b.name} seem to be exchanged`,
        reason: `${a.name} goes with ${list(a.parts)}, ${b.name} with ${list(b.parts)}. If that is meant, give them other names.`,
        about: [a.id, b.id, a.pin, b.pin],
        fix: { label: `Exchange ${a.pin} and ${b.pin}`, edit: draft.edit('exchange pins') },
      };
    }),
};

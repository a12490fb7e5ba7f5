import { askedAt, wordsOf } from '../../catalog/index.js';
import type { Design, TerminalRef } from '../../design/index.js';
import { atFirst, type Course } from './course.js';

/** A turn of something that a program reads: when, ms; what, by a number; to what. */
export type Turn = readonly [at: number, input: number, value: number];

/** Where the numbers of inputs begin that are no pins: bytes of chips on a bus, then by pin pulses in µs, charges in ns, touches in thousandths. */
export const inputsFrom = { bytes: 1000, pulses: 40_000, charges: 41_000, touches: 42_000 };

/**
 * What turns where in a course, as stand-ins for boards take it: pins by their numbers, parts by what a program asks of them.
 */
export function turnsOf(
  design: Design,
  course: Course,
  number: (pin: TerminalRef) => number,
): Turn[] {
  const inputs = new Map(design.channels.map((c) => [c.id, inputOf(design, c.pin, number)]));
  const first = design.channels.flatMap((channel): Turn[] => {
    if (!askedAt(design, channel.pin)) return [];
    const set = inputs.get(channel.id)?.(atFirst(design, channel)) ?? [];
    return set.map(([input, value]) => [0, input, value]);
  });
  const turns = course.changes.flatMap(({ at, channel, counts }): Turn[] =>
    (inputs.get(channel)?.(counts) ?? []).map(([input, value]) => [at, input, value]),
  );
  return [...first, ...turns];
}

type Set = (counts: number) => (readonly [input: number, value: number])[];

function inputOf(design: Design, ref: TerminalRef, number: (pin: TerminalRef) => number): Set {
  const asked = askedAt(design, ref);
  const at = (pin: TerminalRef | undefined): number => number(pin ?? '');
  if (!asked) return (counts) => [[at(ref), counts]];
  switch (asked.by) {
    case 'register': {
      const first = inputsFrom.bytes + 256 * asked.address + asked.register;
      return (counts) =>
        wordsOf(asked.holds, counts).flatMap((word, i) => [
          [first + 2 * i, word >> 8],
          [first + 2 * i + 1, word & 0xff],
        ]);
    }
    case 'echo':
      return (counts) => [[inputsFrom.pulses + at(asked.echo), counts]];
    case 'charge':
      return (counts) => [[inputsFrom.charges + at(asked.at), Math.round(counts * asked.perNano)]];
    case 'touch':
      return (counts) => [
        [
          inputsFrom.touches + at(asked.at),
          Math.min(Math.round((1000 * asked.product) / Math.max(counts, 1e-3)), 2e9),
        ],
      ];
  }
}

import {
  channelReader,
  type ChannelReader,
  type Stimulus,
  type SolvedPart,
} from '../catalog/index.js';
import type { Channel, Design, TerminalRef } from '../design/index.js';

/** A channel with what takes its readings. */
export interface Reading {
  channel: Channel;
  reader: ChannelReader;
}

/** A circuit that can be looked into: solved at rest, or in the course of time. */
export interface Probe {
  volts: (ref: TerminalRef) => number | undefined;
  solved: (part: string) => SolvedPart | undefined;
  /** Resistance seen into the circuit at each of some terminals within a time, Ω. */
  ohms: (refs: readonly TerminalRef[], window: number) => readonly (number | undefined)[];
  stimulus: (part: string) => Stimulus;
}

/** The channels of a design that can be read. */
export const readingsIn = (design: Design): Reading[] =>
  design.channels.flatMap((channel) => {
    const reader = channelReader(design, channel.pin);
    return reader ? [{ channel, reader }] : [];
  });

/**
 * What each channel reads, before rounding and without noise; channels on a pin without voltage read nothing.
 * Pins of one converter are read in the order of their channels, over and over: what was read before is left on
 * its sampling capacitor.
 *
 * @param wanted the channels that matter; all when left out
 */
export function exactReadings(
  readings: readonly Reading[],
  probe: Probe,
  wanted?: (channel: string) => boolean,
): Map<string, number> {
  const asked = readings.filter(({ channel }) => wanted?.(channel.id) !== false);
  const ohms = ohmsAt(asked, probe);
  return new Map(
    asked.flatMap((reading) => {
      const counts = exactReading(readings, reading, probe, ohms);
      return counts === undefined ? [] : [[reading.channel.id, counts] as const];
    }),
  );
}

/** What is seen into the circuit at every pin that a converter reads, Ω: those that it looks at for as long, together. */
function ohmsAt(asked: readonly Reading[], probe: Probe): Map<TerminalRef, number> {
  const pins = new Map<number, TerminalRef[]>();
  for (const { channel, reader } of asked)
    if (reader.by === 'converter')
      pins.set(reader.window, [...(pins.get(reader.window) ?? []), channel.pin]);
  return new Map(
    [...pins].flatMap(([window, refs]) => {
      const seen = probe.ohms(refs, window);
      return refs.map((ref, i) => [ref, seen[i] ?? 0] as const);
    }),
  );
}

function exactReading(
  readings: readonly Reading[],
  { channel, reader }: Reading,
  probe: Probe,
  ohms: ReadonlyMap<TerminalRef, number>,
): number | undefined {
  const { pin } = channel;
  const solved = probe.solved(reader.part);
  if (!solved) return undefined;
  if (reader.by === 'readout') return reader.counts(probe.stimulus(reader.part), solved);
  const volts = probe.volts(pin);
  if (volts === undefined) return undefined;
  if (reader.by === 'level') return reader.counts(volts, solved);
  const turn = readings.filter((r) => r.reader.by === 'converter' && r.reader.part === reader.part);
  const own = turn.findIndex((r) => r.channel === channel);
  const before = turn.at(own - 1)?.channel.pin ?? pin;
  const sampled = reader.sampled(volts, probe.volts(before) ?? volts, ohms.get(pin) ?? 0);
  return reader.share(sampled, solved);
}

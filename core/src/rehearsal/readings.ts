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
  /** The pin that the converter reads before: what it read there is left on its sampling capacitor. */
  after: TerminalRef;
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
export function readingsIn(design: Design): Reading[] {
  const found = design.channels.flatMap((channel) => {
    const reader = channelReader(design, channel.pin);
    return reader ? [{ channel, reader }] : [];
  });
  return found.map(({ channel, reader }) => {
    const turn = found.filter((r) => r.reader.by === 'converter' && r.reader.part === reader.part);
    const own = turn.findIndex((r) => r.channel === channel);
    return { channel, reader, after: turn.at(own - 1)?.channel.pin ?? channel.pin };
  });
}

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
  const asked = wanted ? readings.filter(({ channel }) => wanted(channel.id)) : readings;
  const ohms = ohmsAt(asked, probe);
  const found = new Map<string, number>();
  // Most channels are read by one part: it is looked at once.
  let part: string | undefined;
  let solved: SolvedPart | undefined;
  for (const reading of asked) {
    if (reading.reader.part !== part) solved = probe.solved((part = reading.reader.part));
    const counts = solved && exactReading(reading, probe, solved, ohms);
    if (counts !== undefined) found.set(reading.channel.id, counts);
  }
  return found;
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
  { channel: { pin }, reader, after }: Reading,
  probe: Probe,
  solved: SolvedPart,
  ohms: ReadonlyMap<TerminalRef, number>,
): number | undefined {
  if (reader.by === 'readout') return reader.counts(probe.stimulus(reader.part), solved);
  const volts = probe.volts(pin);
  if (volts === undefined) return undefined;
  if (reader.by === 'level') return reader.counts(volts, solved);
  const sampled = reader.sampled(volts, probe.volts(after) ?? volts, ohms.get(pin) ?? 0);
  return reader.share(sampled, solved);
}

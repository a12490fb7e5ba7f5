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
  /** Resistance seen into the circuit within a time, Ω. */
  ohms: (ref: TerminalRef, window: number) => number | undefined;
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
  return new Map(
    readings.flatMap((reading) => {
      if (wanted?.(reading.channel.id) === false) return [];
      const counts = exactReading(readings, reading, probe);
      return counts === undefined ? [] : [[reading.channel.id, counts] as const];
    }),
  );
}

function exactReading(
  readings: readonly Reading[],
  { channel, reader }: Reading,
  probe: Probe,
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
  const ohms = probe.ohms(pin, reader.window) ?? 0;
  return reader.share(reader.sampled(volts, probe.volts(before) ?? volts, ohms), solved);
}

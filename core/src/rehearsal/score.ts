import type { Design, Happening, Scene } from '../design/index.js';
import type { Rehearsal } from './rehearsal.js';
import { judgeScene } from './rehearse.js';
import type { Trace } from './traces.js';

/** What one rehearsal comes to, besides its verdicts. */
export interface RehearsalScore {
  /** False triggers: at a nuisance, or at nothing. */
  falses: { count: number; perDay: number };
  /** Answers of channels and parts that went to and fro: changes that were the third or more within a second. */
  chatter: { of: 'channel' | 'part'; id: string; name: string; changes: number; first: number }[];
  /** Relays and how often they pulled in. */
  relays: { part: string; name: string; relay: string; operations: number }[];
  /** What all sources gave together, J and W on the average; undefined where nothing is fed. */
  energy?: { joules: number; watts: number; most: number };
  /** The longest time in which each channel was blind: between two readings, or locked out. */
  blind: { channel: string; name: string; seconds: number; from: number; because: string }[];
}

const day = 86_400;
/** Changes within this time of each other belong together, s (own convention). */
const together = 1;

/** Sums up one rehearsal. */
export function scoreRehearsal(design: Design, rehearsal: Rehearsal): RehearsalScore {
  const { duration, verdicts, spurious } = rehearsal;
  const count = spurious.length + verdicts.filter((v) => v.outcome === 'fired falsely').length;
  return {
    falses: { count, perDay: (day * count) / duration },
    chatter: chatterIn(design, rehearsal),
    relays: relaysIn(design, rehearsal),
    ...energyIn(rehearsal),
    blind: design.channels.map((c) => blindness(c, rehearsal)),
  };
}

function chatterIn(design: Design, { logic, acting }: Rehearsal): RehearsalScore['chatter'] {
  const ofChannels = design.channels.map(({ id, name }) => {
    const times = logic.flatMap(({ t, events }) =>
      events.some((e) => e.kind === 'channel' && e.id === id) ? [t] : [],
    );
    return { of: 'channel' as const, id, name, ...toAndFro(times) };
  });
  // What a rule drives goes to and fro as it is told; without a controller it is the circuit that chatters.
  const parts = design.channels.length > 0 ? [] : design.parts;
  const ofParts = parts.map(({ id, name }) => {
    const times = acting.filter((a) => a.part === id).map((a) => a.t);
    return { of: 'part' as const, id, name, ...toAndFro(times) };
  });
  return [...ofChannels, ...ofParts].filter((c) => c.changes > 0);
}

/** Changes that are the third or more within a second, and when the first of them was. */
function toAndFro(times: readonly number[]): { changes: number; first: number } {
  const quick = times.filter((t, i) => t - (times[i - 2] ?? -Infinity) <= together);
  return { changes: quick.length, first: quick[0] ?? 0 };
}

const relaysIn = ({ parts }: Design, { relayOperations }: Rehearsal): RehearsalScore['relays'] =>
  parts.flatMap(({ id, name }) =>
    Object.entries(relayOperations[id] ?? {}).map(([relay, count]) => ({
      part: id,
      name,
      relay,
      operations: count,
    })),
  );

function energyIn({ watts, duration }: Rehearsal): Pick<RehearsalScore, 'energy'> {
  const most = watts.values.reduce((a, b) => Math.max(a, b), 0);
  if (most === 0) return {};
  const joules = integral(watts, duration);
  return { energy: { joules, watts: joules / duration, most } };
}

/** Of what holds each value until the next time. */
export const integral = ({ times, values }: Trace, until: number): number =>
  values.reduce(
    (sum, value, i) => sum + value * ((times[i + 1] ?? until) - (times[i] ?? until)),
    0,
  );

type Blind = RehearsalScore['blind'][number];

/** The longest time in which a channel's answer could not have followed what is felt. */
function blindness(
  { id, name, edge, remembers, lockOut = 0 }: Design['channels'][number],
  { readings, logic, duration, outages }: Rehearsal,
): Blind {
  const times = readings[id]?.times ?? [];
  const between: Blind = {
    channel: id,
    name,
    seconds: 0,
    from: 0,
    because: 'between two readings',
  };
  // An edge that is remembered or wakes the controller is not missed between two readings.
  if (!edge && !remembers)
    for (const [i, from] of [0, ...times].entries()) {
      const seconds = (times[i] ?? duration) - from;
      // What is left at the end is shorter than it would have become.
      const out = outages.find((o) => o.from < from + seconds && o.to > from);
      if (seconds > between.seconds && (i < times.length || times.length < 2 || out))
        Object.assign(between, { seconds, from, because: out?.because ?? 'between two readings' });
    }
  const ends = logic.flatMap(({ logic: { channels } }) => channels[id]?.locked ?? []);
  const locked = Math.max(0, ...ends);
  return lockOut > between.seconds && locked > 0
    ? { ...between, seconds: lockOut, from: locked - lockOut, because: 'locked out' }
    : between;
}

/** How many beginnings between two readings are tried. */
const phases = 16;
/** What is felt for more readings than this is not missed by where they fall. */
const manyReadings = 20;
/** Rehearsed on after what is felt has ended, s. */
const goesOn = 10;

/** How many of the beginnings tried missed a happening that is wanted. */
export interface Sampled {
  missed: number;
  tried: number;
  /** Time between readings, s: the longest of all channels, or of waking. */
  every: number;
}

/**
 * How likely a wanted happening is missed by where the readings fall: the scene is rehearsed with it beginning at
 * sixteen moments spread evenly over the longest time between two readings.
 *
 * @returns undefined without channels, or where it is not felt at all; nothing is tried for what is felt over more than
 *   twenty readings
 */
export function missedBySampling(
  design: Design,
  scene: Scene,
  rehearsal: Rehearsal,
  happening: Happening,
): Sampled | undefined {
  const exposure = rehearsal.verdicts.find((v) => v.happening === happening.id)?.exposure;
  if (!exposure || design.channels.length === 0) return undefined;
  const every = Math.max(
    design.controller.sleep?.every ?? 0,
    ...design.channels.map((c) => c.every),
  );
  if (exposure.end - exposure.start > manyReadings * every) return { missed: 0, tried: 0, every };
  const until = exposure.end + every + Math.max(goesOn, happening.within ?? 0);
  const tries = Array.from({ length: phases }, (_, i) => {
    const start = happening.start + (every * (i + 0.5)) / phases;
    const happenings = scene.happenings.map((h) => (h.id === happening.id ? { ...h, start } : h));
    const duration = Math.min(scene.duration, until);
    const path = rehearsal.circuit === 'in time' ? 'time' : 'fast';
    const { verdicts } = judgeScene(design, { ...scene, duration, happenings }, path);
    return verdicts.find((v) => v.happening === happening.id)?.outcome === 'missed';
  });
  return { missed: tries.filter(Boolean).length, tried: phases, every };
}

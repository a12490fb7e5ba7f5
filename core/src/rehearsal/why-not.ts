import {
  type Action,
  type Channel,
  type Condition,
  type Design,
  type Happening,
  type Machine,
  type Rule,
  type Sign,
} from '../design/index.js';
import { kindOfCondition, sayCondition, sayMode } from '../condition/index.js';
import { sayRule } from '../logic/index.js';
import { formatQuantity } from '../quantity/index.js';
import {
  beginnings,
  holdsDuring,
  longestYes,
  nearest,
  statesIn,
  type Stretch,
} from './log-query.js';
import {
  channelAdjustments,
  joined,
  orderAdjustments,
  timeAdjustment,
  type Adjustment,
} from './adjustments.js';
import type { Rehearsal } from './rehearsal.js';
import { usualSigns } from './usual-signs.js';
import type { Recorded } from './verdict.js';

/** Where the way from a happening to what fires broke, in its order. */
export const places = [
  'not felt',
  'not read',
  'learning',
  'threshold',
  'debounce',
  'lock-out',
  'order',
  'condition',
  'mode',
  'driver',
] as const;

/** The first place at which the way broke, and what could mend it. */
export interface Break {
  place: (typeof places)[number];
  text: string;
  adjustments: Adjustment[];
}

/** How far along the way a break lies: the farther, the nearer it came to firing. */
const along = ({ place }: Break): number => places.indexOf(place);
const farthest = (breaks: readonly Break[]): Break | undefined =>
  breaks.reduce<Break | undefined>((a, b) => (a && along(a) >= along(b) ? a : b), undefined);

/** How long after it was last felt a happening may still lead on, s. */
const afterglow = 1;

/**
 * Why a happening led to none of its signs: the place farthest along at which the way to one of them broke.
 *
 * @param fires by part the outputs that make it act; see `outputsByPart`
 */
export function whyNot(
  design: Design,
  rehearsal: Rehearsal,
  happening: Happening,
  fires: ReadonlyMap<string, ReadonlySet<string>>,
): Break {
  const verdict = rehearsal.verdicts.find((v) => v.happening === happening.id);
  if (!verdict?.exposure)
    return {
      place: 'not felt',
      text: 'No sensor felt it: it reaches none, or none feels such a thing.',
      adjustments: [],
    };
  const { start, end } = verdict.exposure;
  const stretch = { from: start, to: end + afterglow };
  const look = new Look(design, rehearsal, stretch, rehearsal.duration);
  const { signs = [] } = happening;
  const breaks = look.signs(signs.length > 0 ? signs : usualSigns(design), fires);
  if (breaks.length > 0) return farthest(breaks) as Break;
  return {
    place: 'driver',
    text: 'Its output was on, but nothing acted on it: look at its driver and its supply.',
    adjustments: [],
  };
}

class Look {
  /** Ways on charts that have been asked about: charts may wait for each other. */
  private readonly asked = new Set<string>();

  constructor(
    private readonly design: Design,
    private readonly record: Recorded & Pick<Rehearsal, 'outages'>,
    private readonly stretch: Stretch,
    /** When the scene is over, s. */
    private readonly end: number,
  ) {}

  /** Breaks on the ways to some signs; none when one of them came. */
  signs(signs: readonly Sign[], fires: ReadonlyMap<string, ReadonlySet<string>>): Break[] {
    const { rules, sequences } = this.design;
    const drives = (act: Action, part: string): boolean => {
      const own = fires.get(part);
      if (act.do === 'drive') return own?.has(act.output) ?? false;
      const played = sequences.find((s) => act.do === 'play' && s.id === act.sequence);
      return played?.lanes.some((lane) => own?.has(lane.output)) ?? false;
    };
    if (signs.length === 0)
      return [
        {
          place: 'condition',
          text: 'Nothing in the design tells that it was noticed: no part sounds, moves, shines or sends.',
          adjustments: [],
        },
      ];
    const ways = signs.map((sign): Break[] => {
      if (sign.by === 'mode') return this.toMode(sign.machine, sign.mode);
      if (sign.by === 'notice') {
        const tells = this.design.notices.find((n) => n.id === sign.notice)?.tells;
        return tells?.tell === 'condition' ? this.why(tells.condition) : [];
      }
      const own = rules.filter((rule) =>
        rule.then.some((act) =>
          sign.by === 'counter'
            ? act.do === 'count' && act.counter === sign.counter && act.by * sign.step > 0
            : drives(act, sign.part),
        ),
      );
      if (own.length === 0)
        return [
          { place: 'condition', text: 'No rule leads to what it is noticed by.', adjustments: [] },
        ];
      const breaks = own.map((rule) => this.rule(rule));
      return breaks.some((b) => b.length === 0) ? [] : breaks.flat();
    });
    return ways.some((way) => way.length === 0) ? [] : ways.flat();
  }

  private rule(rule: Rule): Break[] {
    const began = [...statesIn(this.record.logic, this.stretch)].some(
      ({ logic }) => logic.rules[rule.id]?.active,
    );
    if (began) return [];
    const found = [...this.why(rule.when), ...(rule.while ? this.why(rule.while) : [])];
    if (found.length > 0) return found.slice(0, 1);
    const text = `“${sayRule(this.design, rule)}” did not become active: its condition held, but not when it could begin.`;
    return [{ place: 'condition', text, adjustments: [] }];
  }

  /** Why a condition did not hold; nothing where it did. */
  private why(condition: Condition): Break[] {
    const { why } = kindOfCondition(condition);
    const plain = [this.plain(condition)];
    if (!why) return plain;
    return why(condition, {
      part: (of) => this.why(of),
      some: (of, n) => this.some(of, n),
      not: (of) => (holdsDuring(this.record.logic, of, this.stretch) ? plain : []),
      channel: (id) => {
        const channel = this.design.channels.find((c) => c.id === id);
        return channel ? this.channel(channel) : [];
      },
      mode: ({ machine, mode }) => this.toMode(machine, mode),
      lasting: (of, seconds, by) => this.lasting(of, seconds, by) ?? plain,
      order: (of, within, by) => this.order(of, within, by) ?? plain,
    });
  }

  /** Where so many of several had to hold: what stood in the way of all, or of the one that came nearest. */
  private some(of: readonly Condition[], n: number): Break[] {
    const parts = of.map((c) => this.why(c));
    if (n === of.length) return together(parts.flat());
    if (parts.filter((b) => b.length === 0).length >= n) return [];
    const best = farthest(parts.flat());
    return best ? [best] : [];
  }

  private plain(condition: Condition): Break {
    const text = `“${sayCondition(this.design, condition)}” did not hold.`;
    return { place: 'condition', text, adjustments: [] };
  }

  private channel(channel: Channel): Break[] {
    if (holdsDuring(this.record.logic, { is: 'channel', channel: channel.id }, this.stretch))
      return [];
    const near = nearest(channel, this.record, this.stretch);
    const { name } = channel;
    const adjustments = channelAdjustments(channel, near, this.stretch);
    const { from, to } = this.stretch;
    // As long as it was felt: what comes after that leads on what was read before.
    const out = this.record.outages.find((o) => o.from <= from && o.to >= to - afterglow);
    if (!near || out) {
      const text = `${name} took no reading in that time${out ? `: ${out.because}` : ''}.`;
      return [{ place: 'not read', text, adjustments: out ? [] : adjustments }];
    }
    if (near.learning)
      return [
        { place: 'learning', text: `${name} was still learning its baseline.`, adjustments: [] },
      ];
    const round = (n: number): number => Math.round(n * 10) / 10;
    const line = `${near.level.side} ${round(near.level.trip)}`;
    if (near.row === 0) {
      const text = `${name} reached ${round(near.value)} counts and trips ${line}.`;
      return [{ place: 'threshold', text, adjustments }];
    }
    if (near.locked)
      return [
        {
          place: 'lock-out',
          text: `${name} passed its line while it was locked out.`,
          adjustments,
        },
      ];
    const times = `${near.row} time${near.row === 1 ? '' : 's'} in a row`;
    const text = `${name} read ${line} ${times} and needs ${channel.hits}.`;
    return [{ place: 'debounce', text, adjustments }];
  }

  /** Why an answer did not last; undefined where it is no channel's. */
  private lasting(
    of: Condition,
    seconds: number,
    by: (seconds: number) => Condition,
  ): Break[] | undefined {
    const found = this.why(of);
    if (found.length > 0) return found;
    const [channel] = this.answered(of);
    if (!channel) return undefined;
    const longest = longestYes(this.record.logic, channel.id, this.stretch);
    if (longest >= seconds) return [];
    const name = sayCondition(this.design, of);
    const text = `${name} answered yes for ${formatQuantity(longest, 's')} and must for ${formatQuantity(seconds, 's')}.`;
    const time = { from: seconds, to: longest / 2 };
    const adjustments = [timeAdjustment(`${name} must hold for`, time, by)];
    return [{ place: 'debounce', text, adjustments }];
  }

  /** The channels whose answers conditions are. */
  private answered(...of: readonly Condition[]): Channel[] {
    return of.flatMap((part) => {
      const id = kindOfCondition(part).answers?.(part);
      return this.design.channels.find((c) => c.id === id) ?? [];
    });
  }

  /** Why two did not begin in their order; undefined where they are not both answers of channels. */
  private order(
    of: readonly [Condition, Condition],
    within: number,
    by: (within: number) => Condition,
  ): Break[] | undefined {
    const missing = of.flatMap((part) => this.why(part));
    if (missing.length > 0) return together(missing);
    const channels = this.answered(...of);
    const [one, other] = channels;
    if (!one || !other) return undefined;
    const begun = ({ id }: Channel): number[] => beginnings(this.record.logic, id, this.stretch);
    const [a, b, nameA, nameB] = [begun(one), begun(other), one.name, other.name];
    if (b.some((t) => a.some((s) => s < t && t - s <= within))) return [];
    if (b.some((t) => a.includes(t))) {
      const slow = Math.max(...channels.map((c) => c.every));
      const text = `${nameA} and ${nameB} began in the same pass: which came first is not known. They are read every ${formatQuantity(slow, 's')}.`;
      return [{ place: 'order', text, adjustments: orderAdjustments(channels) }];
    }
    const late = b.flatMap((t) => a.filter((s) => s < t).map((s) => t - s));
    if (late.length > 0) {
      const gap = Math.min(...late);
      const text = `${nameB} followed ${nameA} after ${formatQuantity(gap, 's')}, later than ${formatQuantity(within, 's')}.`;
      return [
        {
          place: 'order',
          text,
          adjustments: [
            timeAdjustment(`${nameA} then ${nameB} within`, { from: within, to: gap * 2 }, by),
          ],
        },
      ];
    }
    const text = `${nameB} came before ${nameA}.`;
    return [{ place: 'order', text, adjustments: orderAdjustments(channels) }];
  }

  /** Why a mode was not come to: the first way on the shortest path to it that was not taken. */
  private toMode(id: string, target: string): Break[] {
    const machine = this.design.machines.find((m) => m.id === id);
    if (
      !machine ||
      holdsDuring(this.record.logic, { is: 'mode', machine: id, mode: target }, this.stretch)
    )
      return [];
    const log = [...statesIn(this.record.logic, this.stretch)].map((s) => s.logic);
    const from = log.at(-1)?.modes[id]?.mode ?? machine.start;
    const way = pathTo(machine, from, target)[0];
    const was = `${machine.name} was ${sayMode({ ...this.design, machines: [machine] }, id, from)}`;
    if (!way)
      return [{ place: 'mode', text: `${was}: no way leads on from there.`, adjustments: [] }];
    const began = log[log.length - 1]?.modes[id]?.since ?? 0;
    if (!way.when && began + (way.after ?? 0) > this.end) {
      const text = `${was}, and goes on after ${formatQuantity(way.after ?? 0, 's')}: later than the scene lasts. Let it last longer.`;
      return [{ place: 'mode', text, adjustments: [] }];
    }
    const key = `${id} ${from} ${way.to}`;
    const again = this.asked.has(key);
    this.asked.add(key);
    const inner = way.when && !again ? this.why(way.when) : [];
    // A press or a time is the maker's own doing: then the mode itself is what was wrong.
    const best = farthest(inner);
    if (best && best.place !== 'condition') return [best];
    return [{ place: 'mode', text: `${was}.`, adjustments: [] }];
  }
}

/** Breaks that all stand in the way, as one: the first of them, and what mends all of them at once. */
function together(breaks: readonly Break[]): Break[] {
  if (breaks.length < 2) return [...breaks];
  const earliest = breaks.reduce((a, b) => (along(b) < along(a) ? b : a));
  const most = Math.max(...breaks.map((b) => b.adjustments.length));
  const adjustments = Array.from({ length: most }, (_, i) =>
    joined(
      breaks.flatMap((b) => b.adjustments[i] ?? b.adjustments[b.adjustments.length - 1] ?? []),
    ),
  );
  return [{ place: earliest.place, text: breaks.map((b) => b.text).join(' '), adjustments }];
}

/** The transitions of a shortest way from one mode to another; none where there is no way. */
function pathTo(machine: Machine, from: string, to: string): Machine['transitions'] {
  const open: { mode: string; path: Machine['transitions'] }[] = [{ mode: from, path: [] }];
  const seen = new Set([from]);
  for (const { mode, path } of open) {
    if (mode === to) return path;
    for (const t of machine.transitions) {
      if ((t.from !== undefined && t.from !== mode) || seen.has(t.to)) continue;
      seen.add(t.to);
      open.push({ mode: t.to, path: [...path, t] });
    }
  }
  return [];
}

import type { Design, Happening, Rule, Scene } from '../design/index.js';
import { demo } from '../testing/demo.js';
import {
  chainOf,
  eventsOf,
  firingsOf,
  isSignOf,
  rehearse,
  usualSigns,
  type Firing,
} from './index.js';

const stairs = demo('loft-stairs');
const [moth, cat, climb] = stairs.scenes[0].happenings;

const scene = (happenings: Happening[], more: Partial<Scene> = {}): Scene => ({
  ...stairs.scenes[0],
  happenings,
  ...more,
});
const outcome = (design: Design, s: Scene): string[] =>
  rehearse(design, s).verdicts.map((v) => v.outcome);
const firings = (design: Design, s: Scene): Firing[] => firingsOf(design, rehearse(design, s), s);

describe('what fires', () => {
  it('a pattern of beats is one firing, from its first beat on', () => {
    const { acting } = rehearse(stairs, scene([climb]));
    const beats = acting.filter((a) => a.part === 'P1' && a.active);
    expect(beats.length).toBeGreaterThan(10);
    const sounding = firings(stairs, scene([climb])).filter(
      (f) => f.sign.by === 'part' && f.sign.part === 'P1',
    );
    expect(sounding.map((f) => f.t)).toEqual([beats[0].t]);
  });

  it('a show is one firing, whatever acts in it', () => {
    const figurehead = demo('regatta-figurehead');
    const record = rehearse(figurehead, figurehead.scenes[0]);
    const shows = record.logic.filter(
      ({ logic }, i) =>
        i > 0 && 'show' in logic.playing && !('show' in record.logic[i - 1].logic.playing),
    );
    const fired = firingsOf(figurehead, record, figurehead.scenes[0]).filter((f) =>
      isSignOf(f, usualSigns(figurehead)),
    );
    const after = fired.filter((f) => shows.some(({ t }) => f.t >= t && f.t < t + 11));
    expect(new Set(after.map((f) => Math.round(f.t))).size).toBe(shows.length);
  });

  it('a show that plays from the start ends as any other', () => {
    const figurehead = demo('regatta-figurehead');
    const [stops, first, ...rest] = figurehead.rules;
    const always: Rule = { ...first, when: { is: 'not', of: first.when }, while: undefined };
    const design = { ...figurehead, rules: [stops, always, ...rest] };
    const record = rehearse(design, { ...figurehead.scenes[0], happenings: [] });
    expect(Object.keys(record.logic[0].logic.playing)).toHaveLength(1);
    expect(record.logic.some((l) => l.events.some((e) => e.kind === 'sequence' && !e.begins))).toBe(
      true,
    );
  });

  it('a part that only indicates is no sign, unless it is asked for', () => {
    const all = firings(stairs, scene([]));
    const lamp = all.find((f) => f.sign.by === 'part' && f.sign.part === 'D2') as Firing;
    expect(isSignOf(lamp, usualSigns(stairs))).toBe(false);
    expect(isSignOf(lamp, [{ by: 'part', part: 'D2' }])).toBe(true);
    expect(rehearse(stairs, scene([])).spurious).toEqual([]);
  });

  it('counts, modes and notices are signs where they are asked for, counts by their way', () => {
    const all = firings(stairs, scene([climb]));
    const by = (kind: string): Firing | undefined => all.find((f) => f.sign.by === kind);
    const up = by('counter') as Firing;
    expect(isSignOf(up, [{ by: 'counter', counter: 'inside', step: 1 }])).toBe(true);
    expect(isSignOf(up, [{ by: 'counter', counter: 'inside', step: -1 }])).toBe(false);
    expect(by('mode')?.sign).toEqual({ by: 'mode', machine: 'guard', mode: 'entering' });
    expect(by('notice')?.sign).toEqual({ by: 'notice', notice: 'n1' });
  });
});

describe('verdicts', () => {
  const sign = (signs: Happening['signs'], more: Partial<Happening> = {}): Happening => ({
    ...climb,
    signs,
    ...more,
  });
  it.each<[string, Happening, string]>([
    [
      'by a count at once',
      sign([{ by: 'counter', counter: 'inside', step: 1 }], { within: 0.5 }),
      'noticed',
    ],
    [
      'not by a count the other way',
      sign([{ by: 'counter', counter: 'inside', step: -1 }]),
      'missed',
    ],
    ['by a mode', sign([{ by: 'mode', machine: 'guard', mode: 'entering' }]), 'noticed'],
    [
      'by a mode that comes after its delay',
      sign([{ by: 'mode', machine: 'guard', mode: 'alarm' }]),
      'noticed',
    ],
    ['too late', sign(undefined, { within: 3 }), 'missed'],
    ['in time', sign(undefined, { within: 12 }), 'noticed'],
  ])('%s', (_, happening, expected) => {
    expect(outcome(stairs, scene([happening]))).toEqual([expected]);
  });

  it('what modes delay is put down to what set it off, not to what happens meanwhile', () => {
    const through: Happening = {
      ...moth,
      path: [
        { x: 0.6, y: 1.6 },
        { x: 0.6, y: 2.6 },
      ],
    };
    const both = scene([through, cat]);
    const { verdicts } = rehearse(stairs, both);
    // The alarm comes 9 s after the moth, while the cat has come and gone.
    expect(verdicts.map((v) => v.outcome)).toEqual(['fired falsely', 'quiet']);
    expect(verdicts[0].delay).toBeGreaterThan(9);
  });

  it('what a condition itself waits for is noticed, and is not spurious', () => {
    // A finger for 0.4 s; the answer is stretched to eight seconds, and its rule waits for five of them.
    const table = demo('chart-room-touch');
    const [, finger] = table.scenes[0].happenings;
    const [touch, ...channels] = table.channels;
    const [rule, ...rules] = table.rules;
    const waits: Design = {
      ...table,
      channels: [{ ...touch, stretch: 8 }, ...channels],
      rules: [{ ...rule, when: { is: 'for', seconds: 5, of: rule.when } }, ...rules],
    };
    const { verdicts, spurious } = rehearse(waits, { ...table.scenes[0], happenings: [finger] });
    expect(verdicts.map((v) => v.outcome)).toEqual(['noticed']);
    expect(verdicts[0].delay).toBeGreaterThan(5);
    expect(spurious).toEqual([]);
  });

  it('a scene begins in the modes it says, else in those after a reset', () => {
    expect(outcome(stairs, scene([climb], { modes: {} }))).toEqual(['missed']);
    // Whoever came in before it began sets the alarm off, and nobody else.
    const entered = rehearse(stairs, scene([climb], { modes: { guard: 'entering' } }));
    expect(entered.verdicts.map((v) => v.outcome)).toEqual(['missed']);
    expect(entered.spurious).toHaveLength(1);
  });
});

describe('events', () => {
  const record = rehearse(stairs, scene([climb]));
  const events = eventsOf(stairs, record);

  it('come in their order, each after what brought it about', () => {
    expect(events.map((e) => e.t)).toEqual([...events.map((e) => e.t)].sort((a, b) => a - b));
    events.forEach((event, i) => {
      for (const cause of event.because) expect(cause).toBeLessThan(i);
    });
  });

  it('lead from the sounder back to both beams, and no further', () => {
    const sounding = events.findIndex((e) => e.kind === 'acting' && e.id === 'P1');
    const chain = chainOf(events, sounding);
    expect(chain.filter((e) => e.kind === 'channel').map((e) => e.id)).toEqual(['low', 'high']);
    expect(chain.at(-1)?.id).toBe('P1');
    const [entering] = chain.filter((e) => e.kind === 'mode');
    expect(entering.text).toMatch(/^Guard: Entering, Lower beam then Upper beam within 1.5.s$/);
  });

  it('of two rules that begin in one pass, a part acts by the one that drives it', () => {
    const both = scene([climb], { modes: undefined });
    const [siren, lamp] = stairs.outputs;
    const rules = [lamp, siren].map(({ id }): Rule => ({
      id: `of-${id}`,
      when: { is: 'channel', channel: 'low' },
      hold: 1,
      latch: false,
      then: [{ do: 'drive', output: id, drive: { as: 'on' } }],
    }));
    const design = { ...stairs, rules, machines: [] };
    const made = eventsOf(design, rehearse(design, both));
    const sounding = made.findIndex((e) => e.kind === 'acting' && e.id === 'P1');
    const chain = chainOf(made, sounding);
    expect(chain.filter((e) => e.kind === 'rule').map((e) => e.id)).toEqual([`of-${siren.id}`]);
    expect(made.filter((e) => e.kind === 'rule' && e.t === made[sounding].t)).toHaveLength(2);
  });

  it('a long chain is cut, and a circle of rules is walked once', () => {
    const circle: Rule[] = ['p', 'q'].map((id, i, all) => ({
      id,
      when: {
        is: 'any',
        of: [
          { is: 'rule', rule: all[1 - i] },
          { is: 'channel', channel: 'low' },
        ],
      },
      hold: 0.2,
      latch: false,
      then: [{ do: 'drive', output: 'lamp', drive: { as: 'on' } }],
    }));
    const looped = { ...stairs, rules: circle, machines: [] };
    const made = eventsOf(looped, rehearse(looped, scene([climb], { modes: undefined })));
    const last = made.findLastIndex((e) => e.kind === 'rule');
    expect(chainOf(made, last).length).toBeLessThanOrEqual(22);
  });
});

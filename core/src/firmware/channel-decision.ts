import {
  and,
  as,
  choice,
  name,
  not,
  or,
  real,
  set,
  signs,
  when,
  whole,
  type Expression,
  type Statement,
} from '../code/index.js';
import type { Channel } from '../design/index.js';
import { ChannelParts } from './channel-parts.js';
import { lineFrom } from './provenance.js';

const now = name('now');
const one = whole(1);

/** Writes what is made of the readings of a channel: lines and baseline, answers in a row, lock-out and stretch. */
export class ChannelDecision extends ChannelParts {
  /** Compares a value with the lines, and lets the baseline follow. */
  protected compared(value: Expression, times?: Expression): Statement[] {
    const { baseline } = this.channel;
    if (baseline?.kind !== 'learnt') {
      const [speaks, clears] = this.lines(
        value,
        baseline && this.setting('Baseline', baseline.counts),
        false,
        times,
      );
      return this.decide(speaks, clears);
    }
    const stands = this.remembers('Baseline', 'real');
    const learnt = this.remembers('Learnt', 'int');
    const learns = this.setting('Learns', baseline.learn, 'readings the baseline is the mean of');
    const [speaks, clears] = this.lines(value, stands, baseline.unit === 'per cent');
    const known = this.made('Known');
    const learn = [
      set(
        stands,
        signs(
          '+',
          stands,
          signs('/', signs('-', value, stands), as('real', signs('+', learnt, one))),
        ),
      ),
      set(learnt, signs('+', learnt, one)),
    ];
    return [
      ...this.before,
      { do: 'let', name: known, type: 'bool', value: signs('>=', learnt, learns) },
      ...this.decide(
        speaks,
        clears,
        name(known),
        when(not(name(known)), learn, this.follows(value, stands, baseline)),
      ),
    ];
  }

  /** A baseline that has been learnt goes after the readings. */
  private follows(
    value: Expression,
    stands: Expression,
    { follow, freeze }: Extract<NonNullable<Channel['baseline']>, { kind: 'learnt' }>,
  ): Statement[] {
    if (follow === 0) return [];
    const { sleep } = this.frame.design.controller;
    const steady = !sleep && !this.channel.edge;
    const share = steady
      ? this.setting(
          'Follows',
          -Math.expm1(-this.channel.every / follow),
          'of the way at each reading',
        )
      : this.shareSince(this.time('FollowTime', follow));
    const moved = set(stands, signs('+', stands, signs('*', signs('-', value, stands), share)));
    return freeze ? when(not(this.on), [moved]) : [moved];
  }

  /** Of the way in the time since the last reading: 1 − e^(−Δt/τ). */
  private shareSince(follow: Expression): Expression {
    const last = this.remembers('LastRead', 'moment');
    this.noted.push(set(last, now));
    const gone = signs('/', signs('minus', as('real', signs('-', now, last))), as('real', follow));
    return signs('minus', this.board.lessOne(gone));
  }
  private readonly noted: Statement[] = [];

  private onName?: Expression;
  private get on(): Expression {
    return (this.onName ??= this.remembers('On', 'bool'));
  }

  /** Whether a value lies beyond a line, and whether it has come back past all of them. */
  private lines(
    value: Expression,
    from: Expression | undefined,
    share = false,
    times?: Expression,
  ): [beyond: Expression, back: Expression] {
    const { trips, threshold, hysteresis } = this.channel;
    const told = share ? 'per cent of the baseline' : 'counts';
    const unit = from ? `${told} from the baseline` : told;
    const origin = lineFrom(this.frame.design, this.channel);
    const note = origin ? `${unit}; ${origin}` : unit;
    const line = this.setting('Threshold', threshold, note);
    const back = hysteresis === 0 ? undefined : this.setting('Hysteresis', hysteresis, told);
    const one = share && from ? this.hundredth(from) : undefined;
    const scaled = (of: Expression): Expression => (one ? signs('*', of, one) : of);
    const level = (side: 'above' | 'below'): [Expression, Expression] => {
      const [away, home] = side === 'above' ? (['+', '-'] as const) : (['-', '+'] as const);
      const trip = from ? signs(away, from, scaled(line)) : line;
      const clear = back ? signs(home, trip, scaled(back)) : trip;
      const often = (of: Expression): Expression =>
        times ? signs('*', as('long', of), times) : of;
      return side === 'above'
        ? [signs('>', value, often(trip)), signs('<', value, often(clear))]
        : [signs('<', value, often(trip)), signs('>', value, often(clear))];
    };
    if (trips !== 'away') return level(trips);
    const [below, above] = [level('below'), level('above')];
    return [or(below[0], above[0]), and(below[1], above[1])];
  }

  /** Counts that one per cent of a baseline are. */
  private hundredth(of: Expression): Expression {
    const unit = this.made('Unit');
    const size = choice(signs('<', of, real(0)), signs('minus', of), of);
    this.before.push({ do: 'let', name: unit, type: 'real', value: signs('/', size, real(100)) });
    return name(unit);
  }
  private readonly before: Statement[] = [];

  /** On and off by values in a row, then lock-out, stretch and inversion. */
  protected decide(
    beyond: Expression,
    back: Expression,
    known?: Expression,
    baseline: readonly Statement[] = [],
  ): Statement[] {
    const { hits, misses, stretch = 0, lockOut = 0, invert } = this.channel;
    const { on, own } = this;
    const locked = lockOut > 0 ? this.remembers('Locked', 'moment') : undefined;
    const trips = locked ? and(signs('>=', now, locked), beyond) : beyond;
    const was = this.made('WasOn');
    const until = stretch > 0 ? this.remembers('Until', 'moment') : undefined;
    const held = locked ? this.remembers('Held', 'bool') : undefined;
    const answer = until ? or(on, signs('<', now, until)) : on;
    const told = invert ? not(answer) : answer;
    const turned = this.turn(trips, back, hits, misses);
    const answered = this.made('Holds');
    return [
      ...(until ? [{ do: 'let', name: was, type: 'bool', value: on } as const] : []),
      ...(known ? when(known, turned) : turned),
      ...baseline,
      ...this.noted,
      ...(until
        ? when(and(on, not(name(was))), [
            set(until, signs('+', now, this.time('Stretch', stretch))),
          ])
        : []),
      ...(locked && held
        ? [
            { do: 'let', name: answered, type: 'bool', value: answer } as const,
            ...when(and(held, not(name(answered))), [
              set(locked, signs('+', now, this.time('LockOut', lockOut))),
            ]),
            set(held, name(answered)),
          ]
        : []),
      set(own.answers, known ? and(known, told) : told),
    ];
  }

  /** Turns on or off once enough values in a row speak for it. */
  private turn(trips: Expression, back: Expression, hits: number, misses: number): Statement[] {
    const { on } = this;
    const speaks = choice(on, back, trips);
    if (hits <= 1 && misses <= 1) return when(speaks, [set(on, not(on))]);
    const run = this.remembers('Run', 'int');
    const needed = choice(
      on,
      this.setting('Misses', misses, 'readings in a row until it clears'),
      this.setting('Hits', hits, 'readings in a row until it trips'),
    );
    return [
      set(run, choice(speaks, signs('+', run, one), whole(0))),
      ...when(signs('>=', run, needed), [set(on, not(on)), set(run, whole(0))]),
    ];
  }
}

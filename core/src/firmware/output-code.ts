import {
  and,
  as,
  bool,
  call,
  choice,
  mentions,
  milliseconds,
  ms,
  name,
  not,
  or,
  real,
  set,
  signs,
  since,
  when,
  type Declaration,
  type Expression,
  type Section,
  type Statement,
} from '../code/index.js';
import type { Drive, Lane, Output, Sequence } from '../design/index.js';
import type { Board } from './board.js';
import { asShare, wantedBy, type Wanted } from './drive-code.js';
import { variable, type Frame } from './frame.js';

/** One output: what drives it now, and its pin. */
export interface OutputProgram {
  section: Section;
  drives: string;
  /** It is on for a share of the time, not only on or off. */
  dimmed: boolean;
}

/** Something that may drive an output, while it does. */
interface Driver {
  while: Expression;
  /** What is worked out before, as where in its course it is. */
  before: readonly Statement[];
  wanted: Wanted;
}

export function outputCode(frame: Frame, board: Board, output: Output): OutputProgram {
  return new OutputWriter(frame, board, output).program();
}

class OutputWriter {
  private readonly declares: Declaration[] = [];
  private readonly functions: Declaration[] = [];
  private readonly base: string;

  constructor(
    private readonly frame: Frame,
    private readonly board: Board,
    private readonly output: Output,
  ) {
    this.base = frame.output(output.id).base;
  }

  private made(end: string): string {
    return this.frame.names.extend(this.base, end);
  }

  program(): OutputProgram {
    const { output } = this;
    const drives = this.made('Drive');
    const drivers = [...this.played(), ...this.ruled()];
    const ambient = this.ambient(drivers.map((d) => d.while));
    const all = ambient ? [...drivers, ambient] : drivers;
    const plain = !output.fade && all.every(({ wanted }) => 'on' in wanted);
    const body = plain ? this.switched(all) : this.dimmed(all);
    const functions: Declaration[] = [
      ...this.functions,
      {
        declares: 'function',
        name: drives,
        takes: [],
        body,
        note: 'Puts the pin to what is asked for now.',
      },
    ];
    const section = {
      title: output.name,
      about: output.id,
      says: [],
      holds: [...this.declares, ...functions],
    };
    return { section, drives, dimmed: !plain };
  }

  private wanted(drive: Drive, gone: Expression): Wanted {
    return wantedBy(this.frame, drive, gone, this.base, this.functions);
  }

  private get lanes(): { sequence: Sequence; lane: Lane }[] {
    return this.frame.design.sequences.flatMap((sequence) =>
      sequence.lanes
        .filter((lane) => lane.output === this.output.id)
        .map((lane) => ({ sequence, lane })),
    );
  }

  /** Sequences that are played: the first of those with a lane for it. */
  private played(): Driver[] {
    return this.lanes.map(({ sequence, lane }): Driver => {
      const { played, since: from } = this.frame.sequence(sequence.id);
      const at = this.made('At');
      const within = name(at);
      const blocks = lane.blocks.map(({ start, length, drive }) => ({
        so: and(
          milliseconds(start) > 0 ? signs('>=', within, ms(start)) : bool(true),
          signs('<', within, ms(start + length)),
        ),
        wanted: this.wanted(drive, start > 0 ? signs('-', within, ms(start)) : within),
      }));
      const plain = blocks.every(({ wanted }) => 'on' in wanted);
      const position = signs('%', since(name(from)), ms(sequence.length));
      const wanted: Wanted = plain
        ? {
            on: firstOf(
              blocks.map(({ so, wanted }) => [so, 'on' in wanted ? wanted.on : bool(false)]),
            ),
          }
        : {
            share: blocks.reduceRight<Expression>(
              (otherwise, { so, wanted }) => choice(so, asShare(wanted), otherwise),
              real(0),
            ),
          };
      const isAsked = mentions('on' in wanted ? wanted.on : wanted.share, at);
      return {
        while: name(played),
        before: isAsked ? [{ do: 'let', name: at, type: 'moment', value: position }] : [],
        wanted,
      };
    });
  }

  /** The first rule that is active and drives it. */
  private ruled(): Driver[] {
    return this.frame.design.rules.flatMap((rule) => {
      const act = rule.then.find((a) => a.do === 'drive' && a.output === this.output.id);
      if (act?.do !== 'drive') return [];
      const gone = since(this.frame.began.get(rule.id) ?? name('now'));
      return [
        {
          while: name(this.frame.rule(rule.id).active),
          before: [],
          wanted: this.wanted(act.drive, gone),
        },
      ];
    });
  }

  /** What is asked for while nothing else does. */
  private ambient(others: readonly Expression[]): Driver | undefined {
    const drive = this.lanes.find(({ lane }) => lane.ambient)?.lane.ambient;
    if (!drive) return undefined;
    if (drive.as !== 'pattern')
      return { while: bool(true), before: [], wanted: this.wanted(drive, name('now')) };
    const [from, counts] = [this.made('Since'), this.made('Counts')];
    this.declares.push(variable(from, 'moment'), variable(counts, 'bool'));
    this.always.push(...when(or(...others), [set(counts, bool(false))]));
    return {
      while: bool(true),
      before: when(not(name(counts)), [set(counts, bool(true)), set(from, name('now'))]),
      wanted: this.wanted(drive, since(name(from))),
    };
  }
  private readonly always: Statement[] = [];

  private chain(drivers: readonly Driver[], sets: (wanted: Wanted) => Statement): Statement[] {
    return drivers.reduceRight<Statement[]>(
      (otherwise, driver) => when(driver.while, [...driver.before, sets(driver.wanted)], otherwise),
      [],
    );
  }

  private switched(drivers: readonly Driver[]): Statement[] {
    const on = this.made('On');
    const pin = name(this.frame.output(this.output.id).pin);
    const high = this.output.active === 'high' ? name(on) : not(name(on));
    const [only, ...others] = drivers;
    if (only && others.length === 0 && only.before.length === 0 && 'on' in only.wanted) {
      const wanted = and(only.while, only.wanted.on);
      return [this.board.writeHigh(pin, this.output.active === 'high' ? wanted : not(wanted))];
    }
    return [
      ...this.always,
      { do: 'let', name: on, type: 'bool', value: bool(false), changes: true },
      ...this.chain(drivers, (wanted) => set(on, 'on' in wanted ? wanted.on : bool(false))),
      this.board.writeHigh(pin, high),
    ];
  }

  private dimmed(drivers: readonly Driver[]): Statement[] {
    const wanted = this.made('Wanted');
    const { fade } = this.output;
    const level = fade ? this.fading(name(wanted)) : { does: [], value: name(wanted) };
    const seen = fade?.curve === 'eye' ? this.forTheEye(level.value) : level.value;
    const share = this.output.active === 'high' ? seen : signs('-', real(1), seen);
    return [
      ...this.always,
      { do: 'let', name: wanted, type: 'real', value: real(0), changes: true },
      ...this.chain(drivers, (w) => set(wanted, asShare(w))),
      ...level.does,
      ...this.dim(name(this.frame.output(this.output.id).pin), share),
    ];
  }

  private dim(pin: Expression, share: Expression): Statement[] {
    const { writeShare } = this.board;
    if (!writeShare) throw new RangeError(`${this.board.label}: it dims no pins.`);
    return [writeShare(pin, share)];
  }

  /** On its way from where it is to what is asked for. */
  private fading(wanted: Expression): { does: Statement[]; value: Expression } {
    const [from, to, at] = [this.made('From'), this.made('To'), this.made('At')];
    this.declares.push(variable(from, 'real'), variable(to, 'real'), variable(at, 'moment'));
    const level = this.made('Level');
    this.functions.push(this.levelFunction(level, from, to, at));
    const turns = [set(from, call(level)), set(at, name('now')), set(to, wanted)];
    return { does: when(signs('!=', wanted, name(to)), turns), value: call(level) };
  }

  private levelFunction(called: string, from: string, to: string, at: string): Declaration {
    const { up = 0, down = 0 } = this.output.fade ?? {};
    const [start, end, way] = [name(from), name(to), name('way')];
    const gone = as('real', since(name(at)));
    const move = (seconds: number, sign: '+' | '-', isOver: '>' | '<'): Statement[] =>
      seconds > 0
        ? [
            {
              do: 'let',
              name: 'way',
              type: 'real',
              value: signs(sign, start, signs('/', gone, real(seconds * 1000))),
            },
            { do: 'return', value: choice(signs(isOver, way, end), end, way) },
          ]
        : [{ do: 'return', value: end }];
    return {
      declares: 'function',
      ...{ name: called, gives: 'real', takes: [] },
      body: [...when(signs('>', end, start), move(up, '+', '>')), ...move(down, '-', '<')],
      note: `Up in ${up} s, down in ${down} s.`,
    };
  }

  /** Share of the time on that looks so bright: lightness of CIE 1976. */
  private forTheEye(level: Expression): Expression {
    const called = this.made('Seen');
    const [light, root] = [name('lightness'), name('root')];
    this.functions.push({
      declares: 'function',
      ...{ name: called, gives: 'real', takes: [{ name: 'level', type: 'real' }] },
      body: [
        { do: 'let', name: 'lightness', type: 'real', value: signs('*', real(100), name('level')) },
        ...when(signs('<=', light, real(8)), [
          { do: 'return', value: signs('/', light, real(903.2963)) },
        ]),
        {
          do: 'let',
          name: 'root',
          type: 'real',
          value: signs('/', signs('+', light, real(16)), real(116)),
        },
        { do: 'return', value: signs('*', root, root, root) },
      ],
      note: 'Share of the time on that looks so bright: lightness of CIE 1976.',
    });
    return call(called, level);
  }
}

/** The first of some that is so decides. */
function firstOf(of: readonly (readonly [so: Expression, then: Expression])[]): Expression {
  return of.reduceRight<Expression>((otherwise, [so, then]) => {
    if (then.is === 'bool' && otherwise.is === 'bool' && !otherwise.value)
      return then.value ? so : otherwise;
    return then.is === 'bool'
      ? then.value
        ? or(so, otherwise)
        : and(not(so), otherwise)
      : choice(so, then, otherwise);
  }, bool(false));
}

import { findSurrounding, kindOf } from '../catalog/index.js';
import type { Channel, Design, Happening, Scene } from '../design/index.js';
import { columnOf, highestRate, longestLine, protocolVersion } from './board-lines.js';
import { LiveBench } from './live-bench.js';

/** Reads a happening from its text, or says why it is none. */
export type HappeningReader = (
  text: string,
  design: Design,
) => { ok: true; happening: Happening } | { ok: false; reason: string };

/** A board falls behind rather than work off more readings than this at once. */
const mostAtOnce = 200;

/**
 * A board that is not there: hears and says the lines of docs/bench-protocol.md, with the project's own circuit
 * and a scene in which things happen when they are started. Its clock is the caller's.
 */
export class StandInBoard {
  private bench: LiveBench;
  private every = Infinity;
  private next = Infinity;
  private playing?: string;
  private acting: ReadonlySet<string> = new Set();

  constructor(
    private design: Design,
    private readonly scene: Pick<Scene, 'ambient' | 'seed'>,
    private readonly readHappening: HappeningReader,
  ) {
    this.bench = new LiveBench(design, scene);
  }

  /** Takes another state of the design: the board is built anew; what happens goes on no longer. */
  rebuild(design: Design): string[] {
    this.design = design;
    this.bench = new LiveBench(design, this.scene);
    this.playing = undefined;
    this.acting = new Set();
    return ['# rebuilt', this.columns()];
  }

  /**
   * Answers a line.
   *
   * @param t seconds since power on
   */
  hear(line: string, t: number): string[] {
    const text = line.trim();
    if (text === '') return [];
    if (text.length > longestLine) return [`# no: a line has at most ${longestLine} characters`];
    const space = text.search(/\s|$/);
    const [word, rest] = [text.slice(0, space), text.slice(space).trim()];
    const answer = Object.hasOwn(this.answers, word) ? this.answers[word] : undefined;
    if (!answer)
      return [
        `# no: there is no "${word.slice(0, 40)}"; say ${Object.keys(this.answers).join(', ')}`,
      ];
    return answer(rest, t);
  }

  /** Readings a second that it has been told to take. */
  get rate(): number {
    return this.every === Infinity ? 0 : 1 / this.every;
  }

  /**
   * The readings that have fallen due.
   *
   * @param inTime tells whether there is time for another one
   */
  goOn(t: number, inTime: () => boolean = () => true): string[] {
    const lines: string[] = [];
    for (let n = 0; this.next <= t; n++) {
      // A board that is late leaves readings out; it does not hurry.
      if (n === mostAtOnce || (n > 0 && !inTime())) this.next = t;
      lines.push(this.row(this.next), ...this.news());
      this.next += this.every;
    }
    return lines;
  }

  private readonly answers: Readonly<Record<string, (rest: string, t: number) => string[]>> = {
    hello: () => [`# yurei bench ${protocolVersion}, stand-in`],
    pins: () => [`# pins ${this.names().join(' ')}`],
    rate: (rest, t) => this.setRate(rest, t),
    power: (rest) => this.power(rest),
    start: (rest) => this.start(rest),
    feel: (rest) => this.feel(rest),
    play: (rest, t) => this.play(rest, t),
    stop: () => {
      this.bench.stop();
      return ['# ok stop'];
    },
  };

  private setRate(rest: string, t: number): string[] {
    const rate = rest === '' ? NaN : Number(rest);
    if (!(rate >= 0 && rate <= highestRate))
      return [`# no: rate takes readings a second, 0 to ${highestRate}`];
    this.every = rate === 0 ? Infinity : 1 / rate;
    this.next = rate === 0 ? Infinity : t;
    return [`# ok rate ${rate}`, ...(rate === 0 ? [] : [this.columns()])];
  }

  private power(rest: string): string[] {
    const [name = '', state] = rest.split(/\s+/);
    const output = this.design.outputs.find(({ pin }) => pin === name || pin.endsWith(`.${name}`));
    if (!output) return [`# no: ${name.slice(0, 40)} is no output pin of this design`];
    if (state !== 'on' && state !== 'off') return ['# no: power takes a pin and on or off'];
    this.bench.power(output.pin, state === 'on');
    return [`# ok power ${name} ${state}`];
  }

  private feel(rest: string): string[] {
    const [id = '', quantity = '', said = ''] = rest.split(/\s+/);
    const part = this.design.parts.find((p) => p.id === id);
    const sense = part && kindOf(part).senses?.quantities.find((q) => q === quantity);
    if (!sense) return [`# no: ${id.slice(0, 40)} feels no "${quantity.slice(0, 40)}"`];
    const value = said === '' ? NaN : Number(said);
    const { min = -Infinity, max = Infinity, unit = '' } = findSurrounding(sense) ?? {};
    if (said !== 'rest' && !(value >= min && value <= max))
      return [`# no: feel takes a part, what it feels, and ${min} to ${max} ${unit} or rest`];
    this.bench.feel(id, sense, said === 'rest' ? undefined : value);
    return [`# ok feel ${id} ${sense} ${said}`];
  }

  private play(rest: string, t: number): string[] {
    if (!this.design.sequences.some((s) => s.id === rest))
      return [`# no: ${rest.slice(0, 40)} is no sequence of this design`];
    this.bench.play(rest, t);
    this.playing = rest;
    return [`# ok play ${rest}`];
  }

  /** Parts that have begun or ceased to act since the last reading, and that a sequence is over. */
  private news(): string[] {
    const [before, now] = [this.acting, this.bench.acting];
    this.acting = now;
    const over = this.playing !== undefined && this.bench.playing === undefined;
    const ended = over ? [`# played ${this.playing}`] : [];
    if (over) this.playing = undefined;
    return [
      ...[...now].filter((id) => !before.has(id)).map((id) => `# acts ${id} on`),
      ...[...before].filter((id) => !now.has(id)).map((id) => `# acts ${id} off`),
      ...ended,
    ];
  }

  private start(rest: string): string[] {
    const result = this.readHappening(rest, this.design);
    if (!result.ok) return [`# no: ${result.reason}`];
    this.bench.start(result.happening);
    return [`# ok start ${result.happening.id}`];
  }

  /** Pins that some channel reads, each once. */
  private get read(): Channel[] {
    const { channels } = this.design;
    return channels.filter((c, i) => channels.findIndex((other) => other.pin === c.pin) === i);
  }

  private names(): string[] {
    const { read } = this;
    return read.map((c) => columnOf(c, read));
  }

  private columns(): string {
    return ['time', ...this.names()].join(',');
  }

  private row(t: number): string {
    const counts = this.bench.readAt(t);
    const cells = this.read.map((c) => counts.get(c.id) ?? '');
    return [Number(t.toFixed(4)), ...cells].join(',');
  }
}

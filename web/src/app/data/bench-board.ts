import { computed, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { columnFor, parseBoardLine } from '@yurei/core/bench';
import type { Quantity } from '@yurei/core/catalog';
import { splitRef, type Channel, type Happening } from '@yurei/core/design';
import { calledIn, eventOf, logged, noLog } from '@yurei/core/log';
import { happeningSpan } from '@yurei/core/scene';
import { auditTime, groupBy, mergeMap, Subject, type Subscription } from 'rxjs';
import { serialLink, standInLink, type BoardLink } from './board-link';
import { DesignSession } from './design-session';
import { Series } from './series';

export type BoardState = 'off' | 'opening' | 'on' | 'lost';

/** A capture under way: the next readings of one channel. */
interface Capture {
  channel: Channel;
  wanted: number;
  times: number[];
  counts: number[];
  done: (readings: Captured) => void;
  failed: (reason: Error) => void;
}

/** Readings that were captured. */
export interface Captured {
  counts: number[];
  /** Seconds between them. */
  every: number;
}

/** Readings a second that a board is asked for. */
export const boardRate = 25;
/** A board that says nothing for so long after it was opened is none, ms. */
const waitLimit = 15_000;
const askEvery = 1500;
/** So many lines in words are shown. */
const mostTold = 12;
/** What a hand moves is told at most so often, ms. */
const feelEvery = 100;

/** The board on the bench: real or stood in for, with what its channels have read since it was connected. */
@Injectable()
export class BenchBoard implements OnDestroy {
  private readonly session = inject(DesignSession);
  private link?: BoardLink;
  private listening?: Subscription;
  private columns: string[] = [];
  private readonly series = new Map<string, Series>();
  private capturing?: Capture;
  private silence?: ReturnType<typeof setTimeout>;
  private over?: ReturnType<typeof setTimeout>;
  /** A start was asked for and not answered yet. */
  private starting = false;
  private frame = 0;
  private readonly felt = new Subject<{ sense: string; value: number | undefined }>();

  readonly state = signal<BoardState>('off');
  readonly kind = signal<'stand-in' | 'board'>('stand-in');
  /** What the board said last, or why it is gone. */
  readonly said = signal('');
  /** The last lines in words: answers, and what the program on the board tells. */
  readonly told = signal<readonly string[]>([]);
  /** What its program has told of since it was connected. */
  readonly log = signal(noLog);
  /** Lines that made no sense. */
  readonly broken = signal(0);
  /** Goes up with every frame in which new readings have come. */
  readonly beat = signal(0);
  /** Share of the capture under way that is in; undefined without one. */
  readonly progress = signal<number | undefined>(undefined);
  readonly connected = computed(() => this.state() === 'on');
  /** What sensors of the stand-in are made to feel by hand, by part and quantity. */
  readonly byHand = signal<ReadonlyMap<string, number>>(new Map());
  /** Parts of the stand-in that act. */
  readonly acting = signal<ReadonlySet<string>>(new Set());
  /** The sequence that it plays, and since when, ms. */
  readonly playing = signal<{ sequence: string; since: number } | undefined>(undefined);
  /** What was started and goes on. */
  readonly running = signal<Happening | undefined>(undefined);

  constructor() {
    // A slider that is drawn tells more than a board needs to hear.
    this.felt
      .pipe(
        groupBy(({ sense }) => sense),
        mergeMap((one) => one.pipe(auditTime(feelEvery))),
        takeUntilDestroyed(),
      )
      .subscribe(({ sense, value }) => this.link?.send(`feel ${sense} ${value ?? 'rest'}`));
  }

  ngOnDestroy(): void {
    this.disconnect();
  }

  connectStandIn(): void {
    this.open(standInLink(this.session.id), 'stand-in');
  }

  /** Opens a serial line; the browser asks which. */
  async connectSerial(): Promise<void> {
    try {
      this.open(await serialLink(), 'board');
    } catch (error) {
      this.state.set('lost');
      this.said.set(`The serial line was not opened: ${reasonOf(error)}`);
    }
  }

  disconnect(): void {
    this.listening?.unsubscribe();
    clearTimeout(this.silence);
    this.listening = this.link = undefined;
    this.forget();
    this.ended();
    this.cancelCapture('The board was disconnected.');
    if (this.state() !== 'lost') this.state.set('off');
  }

  /** Lets something happen at the stand-in, from now on. */
  start(happening: Happening): void {
    // One thing at a time: what is captured is named after it.
    this.link?.send('stop');
    this.running.set(happening);
    this.starting = true;
    this.link?.send(`start ${JSON.stringify(happening)}`);
    clearTimeout(this.over);
    if (!this.running()) return;
    const { start, end } = happeningSpan(happening);
    this.over = setTimeout(() => this.running.set(undefined), 1000 * Math.min(end - start, 1e6));
  }

  /** Plays a sequence on the stand-in, which is connected where it is not. */
  play(sequence: string): void {
    if (this.kind() !== 'stand-in' || !this.link) this.connectStandIn();
    this.link?.send(`play ${sequence}`);
  }

  stop(): void {
    this.playing.set(undefined);
    this.link?.send('stop');
    this.ended();
  }

  /** Has the program on the board try each output and read each channel. */
  test(): void {
    this.link?.send('test');
  }

  /** Switches a pin that feeds a sensor. */
  power(pin: string, on: boolean): void {
    const name = this.kind() === 'stand-in' ? pin : splitRef(pin).terminal;
    this.link?.send(`power ${name} ${on ? 'on' : 'off'}`);
  }

  /** Makes a sensor of the stand-in feel so much; undefined lets it feel again what is there. */
  feel(part: string, quantity: Quantity, value: number | undefined): void {
    this.felt.next({ sense: `${part} ${quantity}`, value });
    const held = new Map(this.byHand());
    if (value === undefined) held.delete(`${part} ${quantity}`);
    else held.set(`${part} ${quantity}`, value);
    this.byHand.set(held);
  }

  private forget(): void {
    this.byHand.set(new Map());
    this.acting.set(new Set());
    this.playing.set(undefined);
  }

  private ended(): void {
    clearTimeout(this.over);
    this.running.set(undefined);
  }

  /** What a channel has read; undefined where the board has no column for it. */
  seriesOf(channel: Pick<Channel, 'pin'>): Series | undefined {
    const column = this.columns[columnFor(channel, this.columns)];
    return column === undefined ? undefined : this.series.get(column);
  }

  /**
   * The next readings of a channel.
   *
   * @throws Error when the board goes, or the capture is cancelled
   */
  capture(channel: Channel, wanted: number): Promise<Captured> {
    this.cancelCapture('Another capture was begun.');
    this.progress.set(0);
    return new Promise((done, failed) => {
      this.capturing = { channel, wanted, times: [], counts: [], done, failed };
    });
  }

  cancelCapture(reason = 'Cancelled.'): void {
    this.capturing?.failed(new Error(reason));
    this.capturing = undefined;
    this.progress.set(undefined);
  }

  /** Opens a way to a board and asks it for readings. */
  open(link: BoardLink, kind: 'stand-in' | 'board'): void {
    this.state.set('off');
    this.disconnect();
    for (const series of this.series.values()) series.clear();
    this.link = link;
    this.kind.set(kind);
    this.state.set('opening');
    this.said.set('');
    this.broken.set(0);
    this.told.set([]);
    this.log.set(noLog);
    this.listening = link.lines.subscribe({
      next: (line) => this.hear(line),
      error: (error: unknown) => this.lose(reasonOf(error)),
      complete: () => this.lose('It ended the connection.'),
    });
    this.ask(link, waitLimit);
  }

  /** Asks for readings, again and again: a board that is reset by being opened does not hear at first. */
  private ask(link: BoardLink, left: number): void {
    link.send('hello');
    link.send(`rate ${boardRate}`);
    this.silence = setTimeout(() => {
      if (left > askEvery) this.ask(link, left - askEvery);
      else this.lose('It says nothing. A board must answer as docs/bench-protocol.md tells.');
    }, askEvery);
  }

  private hear(text: string): void {
    const line = parseBoardLine(text);
    if (line.kind === 'broken') this.broken.update((n) => n + 1);
    else if (line.kind === 'said') this.note(line.text);
    else if (line.kind === 'columns') this.columns = line.columns;
    else this.take(line.t, line.counts);
  }

  private note(text: string): void {
    const [, part, state] = /^acts (\S+) (on|off)$/.exec(text) ?? [];
    if (part) {
      const acting = new Set(this.acting());
      if (state === 'on') acting.add(part);
      else acting.delete(part);
      return this.acting.set(acting);
    }
    const [, begins, sequence] = /^(ok play|played) (.+)$/.exec(text) ?? [];
    if (sequence)
      this.playing.set(begins === 'played' ? undefined : { sequence, since: performance.now() });
    if (text === 'rebuilt') this.forget();
    this.said.set(text);
    const design = this.session.design();
    const event = design && eventOf(text, calledIn(design));
    if (event) this.log.update((log) => logged(log, event));
    if (/^(event|test|ok test|no:)/.test(text))
      this.told.update((all) => [...all, text].slice(-mostTold));
    // What the board would not let happen does not go on.
    if (this.starting && text.startsWith('no:')) this.ended();
    if (/^(no:|ok start)/.test(text)) this.starting = false;
  }

  private take(t: number, counts: readonly (number | undefined)[]): void {
    if (this.state() !== 'on') {
      clearTimeout(this.silence);
      this.state.set('on');
    }
    this.columns.forEach((column, i) => {
      const value = counts[i];
      if (value === undefined) return;
      const series = this.series.get(column) ?? new Series();
      this.series.set(column, series);
      // A board that was reset begins a new record.
      if (t < (series.lastTime ?? 0)) series.clear();
      series.push(t, value);
    });
    this.noteCapture(t, counts);
    this.frame ||= requestAnimationFrame(() => {
      this.frame = 0;
      this.beat.update((n) => n + 1);
    });
  }

  private noteCapture(t: number, counts: readonly (number | undefined)[]): void {
    const { capturing } = this;
    const value = capturing && counts[columnFor(capturing.channel, this.columns)];
    if (!capturing || value === undefined) return;
    capturing.times.push(t);
    capturing.counts.push(value);
    this.progress.set(capturing.counts.length / capturing.wanted);
    if (capturing.counts.length < capturing.wanted) return;
    this.capturing = undefined;
    this.progress.set(undefined);
    const { times } = capturing;
    const span = (times.at(-1) ?? 0) - (times[0] ?? 0);
    const every = times.length > 1 && span > 0 ? span / (times.length - 1) : 1 / boardRate;
    capturing.done({ counts: capturing.counts, every });
  }

  private lose(reason: string): void {
    this.state.set('lost');
    this.said.set(reason);
    this.disconnect();
  }
}

function reasonOf(error: unknown): string {
  if (error instanceof CloseEvent) return error.reason || 'The server cannot be reached.';
  return error instanceof Error ? error.message : 'The connection broke.';
}

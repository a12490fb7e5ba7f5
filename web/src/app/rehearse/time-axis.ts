import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  signal,
} from '@angular/core';
import { eventsOf } from '@yurei/core/rehearsal';
import { formatNominal, formatQuantity } from '@yurei/core/quantity';
import { Popover } from 'primeng/popover';
import { CheckField } from '../common/check-field';
import { Hint } from '../common/hint';
import { Press } from '../common/press';
import { timeStep } from '../common/ruler';
import { heightOf, straightPath, tracePath, type Window } from '../common/trace-path';
import { BenchView } from '../data/bench-view';
import { Player } from '../data/player';
import { ChosenRows } from './chosen-rows';
import { HappeningTimes } from './happening-times';
import { marksOf } from './time-marks';
import { rowGroups, rowValue, type BandRow, type TimeRow, type TraceRow } from './time-rows';

const width = 900;
const height = 26;
/** One step of zooming, and the shortest stretch that is shown as a share of the scene. */
const zoomStep = 1.5;
const shortest = 1e-5;
/** Least share of the axis between two marks: room to press each. */
const markGap = 0.07;

/** A row as it is drawn: it changes with the stretch that is shown, not with the cursor. */
interface RowView {
  row: TimeRow;
  path: string;
  levels: { y: number; side: 'trip' | 'clear' }[];
  bands: { left: number; width: number; text: string }[];
}

/** A whole rehearsal over one axis of time: happenings, readings, program, what acts, supply, and marks where something came about. */
@Component({
  selector: 'yu-time-axis',
  imports: [CheckField, HappeningTimes, Hint, Popover, Press],
  providers: [ChosenRows],
  templateUrl: './time-axis.html',
  styleUrl: './time-axis.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(wheel)': 'wheel($event)' },
})
export class TimeAxis {
  protected readonly view = inject(BenchView);
  private readonly player = inject(Player);
  protected readonly chosen = inject(ChosenRows);
  protected readonly box = { width, height };
  private readonly folded = signal<ReadonlySet<string>>(new Set());

  private readonly duration = computed(() => this.view.scene()?.duration ?? 1);
  /** What of the scene is shown; all of it again when another is chosen. */
  protected readonly window = linkedSignal<{ scene: string | undefined; to: number }, Window>({
    source: () => ({ scene: this.view.scene()?.id, to: this.duration() }),
    computation: ({ to }) => ({ from: 0, to }),
  });
  protected readonly zoomed = computed(() => {
    const { from, to } = this.window();
    return from > 0 || to < this.duration();
  });
  protected readonly ruler = computed(() => {
    const { from, to } = this.window();
    const step = timeStep(to - from);
    const first = Math.ceil(from / step - 1e-9);
    const last = Math.floor(to / step + 1e-9);
    return Array.from({ length: last - first + 1 }, (_, i) => {
      const t = Number(((first + i) * step).toPrecision(9));
      return { t, left: this.at(t), text: formatNominal(t, 's') };
    });
  });

  private readonly groups = computed(() => {
    const [design, rehearsal] = [this.view.shown(), this.view.rehearsal()];
    return design && rehearsal ? rowGroups(design, rehearsal) : [];
  });
  protected readonly shown = computed(() =>
    this.groups().flatMap(({ id, name, rows }) => {
      const open = !this.folded().has(id);
      const chosen = rows.filter((r) => !this.chosen.hidden().has(r.key));
      return chosen.length === 0
        ? []
        : [
            {
              id,
              name,
              open,
              count: chosen.length,
              rows: open ? chosen.map((r) => this.row(r)) : [],
            },
          ];
    }),
  );
  /** Every row there is, by its group, to choose among. */
  protected readonly choosable = computed(() =>
    this.groups().map(({ id, name, rows }) => ({
      id,
      name,
      rows: rows.map((row) => ({
        key: row.key,
        name: row.name,
        on: !this.chosen.hidden().has(row.key),
      })),
    })),
  );
  private readonly events = computed(() => {
    const [design, rehearsal] = [this.view.shown(), this.view.rehearsal()];
    return design && rehearsal ? eventsOf(design, rehearsal) : [];
  });
  protected readonly marks = computed(() => {
    const marks = marksOf(this.events(), this.window(), markGap);
    return marks.map((mark, i) => {
      const left = this.at(mark.t);
      // Text stands where it does not reach the next mark.
      const next = marks[i + 1];
      const room = (next ? this.at(next.t) : 100) - left;
      return { ...mark, left, room };
    });
  });
  protected readonly cursor = computed(() => {
    const t = this.view.time();
    const { from, to } = this.window();
    return t === undefined || t < from || t > to
      ? undefined
      : { share: this.at(t) / 100, text: formatQuantity(t, 's', 4) };
  });

  protected toggle(group: string): void {
    const next = new Set(this.folded());
    if (!next.delete(group)) next.add(group);
    this.folded.set(next);
  }

  /** Moves the time cursor to where the pointer is. */
  protected scrub(event: PointerEvent): void {
    const track = event.currentTarget as HTMLElement;
    if (event.type === 'pointerdown') {
      track.setPointerCapture(event.pointerId);
      this.player.pause();
    } else if (event.buttons === 0) return;
    this.view.moveTo(this.timeAt(event.clientX, track));
  }

  /** Goes to a moment, as from a mark. */
  protected goTo(t: number): void {
    this.player.pause();
    this.view.moveTo(t);
  }

  /** With Ctrl the wheel zooms about the pointer, with Shift it moves on; without it scrolls the rows. */
  protected wheel(event: WheelEvent): void {
    const track = (event.currentTarget as HTMLElement).querySelector('.ruler');
    if (!track || (!event.ctrlKey && !event.shiftKey)) return;
    event.preventDefault();
    const { from, to } = this.window();
    const way = event.deltaY || event.deltaX;
    if (event.ctrlKey)
      this.zoom(way < 0 ? zoomStep : 1 / zoomStep, this.timeAt(event.clientX, track));
    else this.show(from + 0.001 * way * (to - from), to - from);
  }

  /** Zooms about a time, or the cursor, or the middle. */
  protected zoom(factor: number, about?: number): void {
    const { from, to } = this.window();
    const t = about ?? (this.cursor() ? this.view.time() : undefined) ?? (from + to) / 2;
    const span = Math.max((to - from) / factor, shortest * this.duration());
    this.show(t - ((t - from) / (to - from)) * span, span);
  }

  protected all(): void {
    this.window.set({ from: 0, to: this.duration() });
  }

  private show(from: number, span: number): void {
    const whole = Math.min(span, this.duration());
    const begin = Math.min(Math.max(0, from), this.duration() - whole);
    this.window.set({ from: begin, to: begin + whole });
  }

  private timeAt(clientX: number, track: Element): number {
    const { left, width: wide } = track.getBoundingClientRect();
    const { from, to } = this.window();
    return from + ((clientX - left) / (wide || 1)) * (to - from);
  }

  /** Where a time stands on the axis, per cent. */
  private at(t: number): number {
    const { from, to } = this.window();
    return (100 * (t - from)) / (to - from);
  }

  /** What a row says at the cursor. */
  protected valueOf(row: TimeRow): string {
    const t = this.view.time() ?? 0;
    return row.as === 'trace' ? saidAt(row, t) : bandAt(row, t);
  }

  private row(row: TimeRow): RowView {
    return row.as === 'trace'
      ? { row, ...this.line(row), bands: [] }
      : { row, path: '', levels: [], bands: this.bands(row) };
  }

  private line(row: TraceRow): Pick<RowView, 'path' | 'levels'> {
    const box = { width, height, range: row.range };
    const draw = row.straight ? straightPath : tracePath;
    return {
      path: draw(row.trace, this.window(), box),
      levels: row.levels.map(({ value, side }) => ({ y: heightOf(value, box), side })),
    };
  }

  private bands({ bands }: BandRow): RowView['bands'] {
    const { from, to } = this.window();
    return bands
      .filter((band) => band.to >= from && band.from <= to)
      .map((band) => {
        const left = Math.max(0, this.at(band.from));
        return { left, width: Math.min(100, this.at(band.to)) - left, text: band.text };
      });
  }
}

function saidAt(row: TraceRow, t: number): string {
  const value = rowValue(row, t);
  return value === undefined ? '–' : row.say(value);
}

const bandAt = ({ bands, none }: BandRow, t: number): string =>
  bands.find((band) => band.from <= t && t < band.to)?.text ?? none;

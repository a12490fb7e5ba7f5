import { CdkDrag, type CdkDragEnd, type DragRef, type Point } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { kindOf, type Param } from '@yurei/core/catalog';
import type { Block, Design, Drive, Lane, Sequence } from '@yurei/core/design';
import { sayDrive } from '@yurei/core/logic';
import { CheckField } from '../common/check-field';
import { Hint } from '../common/hint';
import { InlineValue } from '../common/inline-value';
import { Press } from '../common/press';
import { rulerMarks, rulerStep } from '../common/ruler';
import { BenchBoard } from '../data/bench-board';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { DriveField } from './drive-field';

const start: Param = { id: 'start', label: 'Starts at', unit: 's', default: 0, min: 0, max: 1e7 };
const length: Param = { ...start, id: 'length', label: 'Lasts', min: 0.001 };
const times: Param = {
  id: 'times',
  label: 'Played so often, 0 for ever',
  unit: '',
  default: 1,
  min: 0,
  max: 1e6,
  whole: true,
};
/** Shortest time that dragging makes of a block, s. */
const shortest = 0.05;

/** Blocks of a sequence on one lane for each output, dragged or typed. */
@Component({
  selector: 'yu-lanes',
  imports: [CdkDrag, CheckField, DriveField, Hint, InlineValue, Press],
  templateUrl: './lanes.html',
  styleUrl: './lanes.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Lanes {
  readonly sequence = input.required<Sequence>();
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly board = inject(BenchBoard);
  protected readonly params = { start, length, times };
  /** Lane and place of the block that is being changed. */
  protected readonly picked = signal<{ lane: string; index: number } | undefined>(undefined);

  /** Dragged blocks stop at tenths of a step of the ruler. */
  protected readonly snap = computed(() => rulerStep(this.sequence().length) / 10);
  protected readonly ruler = computed(() => rulerMarks(this.sequence().length));
  /** Seconds into the sequence that the stand-in board plays. */
  protected readonly live = computed(() => {
    this.board.beat();
    const playing = this.board.playing();
    if (playing?.sequence !== this.sequence().id) return undefined;
    return ((performance.now() - playing.since) / 1000) % this.sequence().length;
  });
  /** What acts on the bench meanwhile. */
  protected readonly acting = computed(() => {
    const acting = this.board.acting();
    const parts = (this.session.design()?.parts ?? []).filter((p) => acting.has(p.id));
    return parts.map((p) => `${p.name} ${kindOf(p).acts?.word ?? ''}`).join(', ');
  });
  protected readonly said = computed(() =>
    ['lost', 'opening'].includes(this.board.state()) ? this.board.said() : '',
  );

  /** Plays it against the stand-in board, or stops that. */
  protected play(): void {
    if (this.live() === undefined) this.board.play(this.sequence().id);
    else this.board.stop();
  }

  /** Where it is at the time cursor, as a share of its length. */
  protected readonly playing = computed(() => {
    const live = this.live();
    if (live !== undefined) return live / this.sequence().length;
    const at = this.view.snapshot()?.decided.playing[this.sequence().id];
    return at === undefined ? undefined : at / this.sequence().length;
  });
  protected readonly chosen = computed(() => {
    const picked = this.picked();
    const lane = this.sequence().lanes.find((l) => l.output === picked?.lane);
    const block = picked && lane?.blocks[picked.index];
    return block && lane ? { lane, block, index: picked.index } : undefined;
  });
  /** Outputs without a lane. */
  protected readonly free = computed(() =>
    (this.session.design()?.outputs ?? []).filter(
      (o) => !this.sequence().lanes.some((l) => l.output === o.id),
    ),
  );

  protected name(lane: Lane): string {
    return this.session.design()?.outputs.find((o) => o.id === lane.output)?.name ?? lane.output;
  }

  protected say(drive: Drive): string {
    return sayDrive(this.session.design() as Design, drive);
  }

  protected left(block: Block): number {
    return (100 * block.start) / this.sequence().length;
  }

  protected width(block: Block): number {
    return (100 * block.length) / this.sequence().length;
  }

  protected put(change: Partial<Sequence>): void {
    this.session.edit({ type: 'put-sequence', sequence: { ...this.sequence(), ...change } });
  }

  /** A shorter sequence takes its blocks along as far as there is room. */
  protected setLength(whole: number): void {
    const lanes = this.sequence().lanes.map((lane) => ({
      ...lane,
      blocks: lane.blocks
        .filter((b) => b.start < whole)
        .map((b) => ({ ...b, length: Math.min(b.length, whole - b.start) })),
    }));
    this.put({ length: whole, lanes });
  }

  protected putBlock(lane: Lane, index: number, change: Partial<Block>): void {
    const blocks = lane.blocks.map((b, i) => (i === index ? this.kept({ ...b, ...change }) : b));
    this.putLane({ ...lane, blocks });
  }

  private kept(block: Block): Block {
    const whole = this.sequence().length;
    const from = Math.min(Math.max(0, block.start), whole - shortest);
    return { ...block, start: from, length: Math.min(block.length, whole - from) };
  }

  protected putLane(lane: Lane): void {
    const lanes = this.sequence().lanes.map((l) => (l.output === lane.output ? lane : l));
    this.put({ lanes });
  }

  protected setAmbient(lane: Lane, on: boolean): void {
    const { ambient: _before, ...rest } = lane;
    this.putLane(on ? { ...rest, ambient: { as: 'level', level: 0.2 } } : rest);
  }

  /** A new block after the last one of the lane. */
  protected addBlock(lane: Lane): void {
    const whole = this.sequence().length;
    const end = Math.max(0, ...lane.blocks.map((b) => b.start + b.length));
    const from = end < whole ? end : 0;
    const block: Block = {
      start: from,
      length: Math.min(whole - from, whole / 5),
      drive: { as: 'on' },
    };
    this.putLane({ ...lane, blocks: [...lane.blocks, block] });
    this.picked.set({ lane: lane.output, index: lane.blocks.length });
  }

  protected removeBlock(lane: Lane, index: number): void {
    this.picked.set(undefined);
    this.putLane({ ...lane, blocks: lane.blocks.filter((_, i) => i !== index) });
  }

  protected addLane(output: string): void {
    this.put({ lanes: [...this.sequence().lanes, { output, blocks: [] }] });
  }

  protected removeLane(output: string): void {
    this.put({ lanes: this.sequence().lanes.filter((l) => l.output !== output) });
  }

  /** Where a dragged block may stand: on its lane, at whole snaps. */
  protected readonly snapped = (point: Point, drag: DragRef, _box: DOMRect, pick: Point): Point => {
    const lane = drag.getRootElement().parentElement?.getBoundingClientRect();
    if (!lane) return point;
    const pixels = lane.width / this.sequence().length;
    const at = (point.x - pick.x - lane.left) / pixels;
    const snap = this.snap();
    return { x: lane.left + Math.round(at / snap) * snap * pixels, y: point.y - pick.y };
  };

  protected dropped(lane: Lane, index: number, { source }: CdkDragEnd): void {
    const { element } = source;
    const track = element.nativeElement.parentElement?.getBoundingClientRect();
    const moved = source.getFreeDragPosition().x;
    source.reset();
    const block = lane.blocks[index];
    if (!track || !block) return;
    const seconds = (moved / track.width) * this.sequence().length;
    const snap = this.snap();
    const from = Math.round((block.start + seconds) / snap) * snap;
    this.putBlock(lane, index, { start: Number(Math.max(0, from).toPrecision(8)) });
  }

  /** Arrow keys move a block by a snap, with Shift they change its length. */
  protected nudge(lane: Lane, index: number, event: KeyboardEvent): void {
    const way = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
    const block = lane.blocks[index];
    if (way === 0 || !block) return;
    event.preventDefault();
    event.stopPropagation();
    const by = way * this.snap();
    if (event.shiftKey)
      this.putBlock(lane, index, { length: Math.max(shortest, block.length + by) });
    else this.putBlock(lane, index, { start: Number((block.start + by).toPrecision(8)) });
  }

  protected remove(): void {
    this.session.edit({ type: 'remove-sequence', id: this.sequence().id });
  }
}

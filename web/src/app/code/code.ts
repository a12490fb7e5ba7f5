import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { fileStem } from '@yurei/core/exchange';
import {
  boardOf,
  firmwareOf,
  plainStem,
  projectOf,
  type Board,
  type Firmware,
  type Lack,
} from '@yurei/core/firmware';
import { formatQuantity } from '@yurei/core/quantity';
import { strToU8, zipSync } from 'fflate';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { SelectButton } from 'primeng/selectbutton';
import { download } from '../common/download';
import { Hint } from '../common/hint';
import { Press } from '../common/press';
import { remember } from '../common/remember';
import { DesignSession } from '../data/design-session';
import { BoardCheck } from './board-check';
import { CodeTaken } from './code-taken';
import { CodeView } from './code-view';
import { OwnCodePanel } from './own-code';
import { ProofBar } from './proof-bar';

type Shown = 'program' | 'own' | 'changes' | 'load';
const shows: readonly { id: Shown; label: string }[] = [
  { id: 'program', label: 'Program' },
  { id: 'own', label: 'Own code' },
  { id: 'changes', label: 'Changes' },
  { id: 'load', label: 'Load it' },
];

const chosenKey = 'yurei.code.language';
/** The language in which a board's program is written. */
const labelOf = ({ label }: Board): string => label.split(', ')[1] ?? label;

/** The Code step: the program that does on the board what was rehearsed. */
@Component({
  selector: 'yu-code',
  imports: [
    BoardCheck,
    Button,
    Checkbox,
    CodeView,
    FormsModule,
    Hint,
    NgTemplateOutlet,
    OwnCodePanel,
    Press,
    ProofBar,
    RouterLink,
    SelectButton,
  ],
  templateUrl: './code.html',
  styleUrls: ['../common/step.css', './code.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CodeStep {
  private readonly session = inject(DesignSession);
  private readonly taken = inject(CodeTaken);
  protected readonly shows = [...shows];
  protected readonly shown = signal<Shown>('program');
  protected readonly design = this.session.design;

  /** What it is written for, or why nothing is. */
  protected readonly target = computed(() => {
    const design = this.design();
    return design && boardOf(design);
  });
  private readonly board = computed(() => {
    const target = this.target();
    if (!target || !('board' in target)) return undefined;
    return target.boards.find((b) => labelOf(b) === this.chosen()) ?? target.board;
  });
  /** The languages in which its program can be written. */
  protected readonly choices = computed(() => {
    const target = this.target();
    return target && 'board' in target ? target.boards.map((b) => ({ label: labelOf(b) })) : [];
  });
  /** The one that was chosen in this browser, for all designs. */
  private readonly chosen = signal(localStorage.getItem(chosenKey) ?? '');

  protected choose(label: string): void {
    this.chosen.set(label);
    remember(chosenKey, label);
  }

  protected readonly none = computed(() => {
    const target = this.target();
    return target && 'reason' in target ? target : undefined;
  });
  protected readonly name = computed(() => {
    const board = this.board();
    return this.choices().length > 1 ? board?.label.split(',')[0] : (board?.label ?? '');
  });
  protected readonly label = computed(() => {
    const board = this.board();
    return board ? labelOf(board) : '';
  });
  protected readonly language = computed(() =>
    this.board()?.language === 'python' ? 'python' : 'cpp',
  );
  protected readonly writtenIn = computed(() => this.board()?.language ?? 'cpp');
  /** Whether it is to say nothing over its serial line. */
  protected readonly quiet = signal(false);
  private readonly outcome = computed(() => {
    const [design, board] = [this.design(), this.board()];
    return design && board && firmwareOf(design, board, this.quiet());
  });
  /** What the board could not do: then nothing is written. */
  protected readonly lacks = computed((): (Lack & { step: string })[] => {
    const outcome = this.outcome();
    const lacks = outcome && 'lacks' in outcome ? outcome.lacks : [];
    return lacks.map((lack) => ({ ...lack, step: stepOf(lack) }));
  });
  /** It would fit were it quiet, maybe. */
  protected readonly tooLarge = computed(() => this.lacks().some((l) => l.place === 'memory'));
  private readonly firmware = computed((): Firmware | undefined => {
    const outcome = this.outcome();
    return outcome && !('lacks' in outcome) ? outcome : undefined;
  });
  protected readonly written = computed(() => this.firmware()?.written);
  /** How much of the chip's memory it takes. */
  protected readonly takes = computed(() => {
    const { ram, flash, pass } = this.firmware() ?? {};
    return [
      ram ? `RAM ${ram.takes} of ${ram.has} B` : '',
      flash
        ? `flash ≈ ${(flash.takes / 1024).toFixed(0)} of ${(flash.has / 1024).toFixed(0)} kB`
        : '',
      pass ? `pass ≤ ${formatQuantity(pass.decides * 1e-6, 's', 2)}` : '',
    ]
      .filter(Boolean)
      .join(' · ');
  });
  protected readonly remarks = computed(() => this.firmware()?.remarks ?? []);
  protected readonly steps = computed(() => {
    const board = this.board();
    return board?.load(board.file(this.stem())) ?? [];
  });
  private readonly stem = computed(() => plainStem(fileStem(this.design()?.title ?? '')));

  /** Taking it is noted by a turn of this. */
  private readonly turn = signal(0);
  protected readonly before = computed(() => {
    this.turn();
    const written = this.written();
    return written && this.taken.before(this.session.id, written.text);
  });
  constructor() {
    // What is seen first is what is told against.
    effect(() => void this.before());
  }

  protected readonly isOther = computed(() => this.before()?.text !== this.written()?.text);

  /** The section that is marked, by its place. */
  protected readonly picked = linkedSignal<string | undefined, number | undefined>({
    source: () => this.design()?.title,
    computation: () => undefined,
  });
  protected readonly lines = computed(() => {
    const at = this.picked();
    return at === undefined ? undefined : this.written()?.spans[at];
  });
  /** Where the reader is, by the cursor. */
  protected readonly reads = signal<number | undefined>(undefined);

  protected pick(at: number): void {
    this.shown.set('program');
    this.picked.set(at);
    this.reads.set(at);
  }

  protected read(line: number): void {
    const at = this.written()?.spans.findIndex((s) => s.from <= line && line <= s.to) ?? -1;
    this.reads.set(at < 0 ? undefined : at);
  }

  protected readonly copied = signal('');

  protected async copy(): Promise<void> {
    const text = this.written()?.text;
    if (text === undefined) return;
    try {
      await navigator.clipboard.writeText(text);
      this.copied.set('Copied.');
      this.take(text);
    } catch {
      this.copied.set('The browser does not give its clipboard: download it.');
    }
  }

  /** The whole project as one file. */
  protected download(): void {
    const [design, board, written] = [this.design(), this.board(), this.written()];
    if (!design || !board || !written) return;
    const files = projectOf(design, board, this.stem(), this.quiet());
    const packed = zipSync(Object.fromEntries(files.map((f) => [f.path, strToU8(f.text)])));
    download(`${this.stem()}.zip`, new Blob([new Uint8Array(packed)]), 'application/zip');
    this.take(written.text);
  }

  private take(text: string): void {
    this.taken.take(this.session.id, text);
    this.turn.update((n) => n + 1);
  }
}

/** The step in which something can be mended. */
const stepOf = ({ place }: Lack): string =>
  place.startsWith('channel') ? 'set' : /^(counter|program)/.test(place) ? 'act' : 'wire';

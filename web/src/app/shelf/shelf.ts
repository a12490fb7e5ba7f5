import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  Injector,
  signal,
  type WritableSignal,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { emptyDesign } from '@yurei/core/design';
import type { DesignSummary } from '@yurei/core/exchange';
import { decimals } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Message } from 'primeng/message';
import { Hint } from '../common/hint';
import { UndoToast } from './undo-toast';
import { Waiting } from '../common/waiting';
import { firstValueFrom } from 'rxjs';
import { FileButton } from '../common/file-button';
import { Lantern } from '../common/lantern';
import { CheckField } from '../common/check-field';
import type { Choice } from '../common/choice-field';
import { InlineChoice } from '../common/inline-choice';
import { remember } from '../common/remember';
import { Api, ApiError } from '../data/api';
import { Tour } from '../data/tour';
import { ThemeService } from '../theme/theme';
import { AnswerUnopened } from './answer-unopened';
import { BinDialog } from './bin-dialog';
import { FirstVisit } from './first-visit';
import { ShelfCard } from './shelf-card';
import { everything, filters, offeredBy, passes, type ShelfFilter } from './shelf-filter';
import { SettingsDialog } from '../settings/settings-dialog';
import { WholeShelf } from './whole-shelf';

/** No design is larger; a larger file is not even read. */
const largestFile = 2_000_000;
const longestTitle = 120;

const orAny = (any: string, words: readonly string[]): Choice[] => [
  { value: '', label: any },
  ...words.map((word) => ({ value: word, label: word })),
];
const controllers: readonly Choice[] = [
  { value: '', label: 'with or without controller' },
  { value: 'with', label: 'with a controller' },
  { value: 'without', label: 'without a controller' },
];

/** Whether this browser remembers a word under a name. */
const kept = (name: string, word: string): WritableSignal<boolean> =>
  signal(localStorage.getItem(name) === word);

/** The start page: every design, newest first. */
@Component({
  selector: 'yu-shelf',
  imports: [
    BinDialog,
    Button,
    CheckField,
    FileButton,
    FirstVisit,
    Hint,
    InlineChoice,
    InputText,
    Lantern,
    Message,
    NgTemplateOutlet,
    RouterLink,
    SettingsDialog,
    ShelfCard,
    UndoToast,
    Waiting,
    WholeShelf,
  ],
  templateUrl: './shelf.html',
  styleUrls: ['../common/tool.css', './shelf.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    '(pointermove)': 'makeReady()',
    '(focusin)': 'makeReady()',
    '(dragover)': 'allowDrop($event)',
    '(drop)': 'drop($event)',
  },
})
export class Shelf {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly theme = inject(ThemeService);
  protected readonly designs = signal<DesignSummary[] | undefined>(undefined);
  protected readonly failure = signal<ApiError | undefined>(undefined);
  protected readonly wholeOpen = signal(false);
  protected readonly binOpen = signal(false);
  protected readonly settingsOpen = signal(false);
  /** What was put in the bin last. */
  protected readonly removed = signal<DesignSummary | undefined>(undefined);
  protected readonly filter = signal<ShelfFilter>(everything);
  protected readonly filtered = computed(() => filters(this.filter()));
  protected readonly choices = computed(() => {
    const { senses, acts } = offeredBy(this.designs() ?? []);
    return { senses: orAny('feels anything', senses), acts: orAny('any part acts', acts) };
  });
  protected readonly controllers = controllers;
  protected readonly examplesHidden = kept('yurei.examples', 'hidden');
  private readonly visited = kept('yurei.visited', 'yes');

  private readonly shown = computed(() =>
    this.designs()?.filter((design) => passes(this.filter(), design)),
  );
  /** Own designs, then what came with the program. */
  protected readonly sections = computed(() => {
    const shown = this.shown();
    const examples = shown?.filter((d) => d.example) ?? [];
    return (
      shown && {
        own: shown.filter((d) => !d.example),
        examples,
        anyExample: (this.designs() ?? []).some((d) => d.example),
      }
    );
  });
  /** Nothing of one's own is there yet. */
  protected readonly first = computed(
    () => !this.visited() && this.designs()?.every((d) => d.example) === true,
  );
  private readonly tour = inject(Tour);
  private doubtful?: Blob;

  private readonly injector = inject(Injector);
  private readying = false;

  constructor() {
    void this.load();
    inject(AnswerUnopened)
      .of(this.designs)
      .pipe(takeUntilDestroyed())
      .subscribe(({ id, answers }) =>
        this.designs.update((all) => all?.map((d) => (d.id === id ? { ...d, answers } : d))),
      );
  }

  /** A hand on the shelf means that a picture is wanted soon: its layouter gets ready meanwhile. */
  protected async makeReady(): Promise<void> {
    if (this.readying || typeof Worker === 'undefined') return;
    this.readying = true;
    const { PictureLayouter } = await import('../picture/layout');
    await this.injector.get(PictureLayouter).warmUp();
  }

  protected load(): Promise<void> {
    return this.attempt(async () => this.designs.set(await firstValueFrom(this.api.list())));
  }

  protected async create(): Promise<void> {
    await this.attempt(async () => {
      const { id } = await firstValueFrom(this.api.create(emptyDesign('New design')));
      await this.router.navigate(['/design', id]);
    });
  }

  /** Files may be dropped anywhere. */
  protected async drop(event: DragEvent): Promise<void> {
    const files = [...(event.dataTransfer?.files ?? [])];
    if (files.length === 0) return;
    event.preventDefault();
    await this.takeFiles(files);
  }

  protected allowDrop(event: DragEvent): void {
    if (event.dataTransfer?.types.includes('Files')) event.preventDefault();
  }

  /** Takes in what can be; of several files it says which could not be, and why. */
  protected async takeFiles(files: readonly File[]): Promise<void> {
    const failed: { file: File; error: ApiError }[] = [];
    for (const file of files) {
      if (file.size > largestFile) this.failure.set(tooLarge(file));
      else await this.import(file, false);
      const error = this.failure();
      if (error) failed.push({ file, error });
    }
    if (files.length > 1 && failed.length > 0) this.failure.set(together(failed, files.length));
  }

  /** Another design like it, to change without losing the first. */
  protected async duplicate({ id, title }: DesignSummary): Promise<void> {
    await this.attempt(async () => {
      const { design } = await firstValueFrom(this.api.get(id));
      const copy = { ...design, title: `${title} (copy)`.slice(0, longestTitle) };
      await firstValueFrom(this.api.create(copy));
      await this.load();
    });
  }

  protected importAnyway(): Promise<void> {
    return this.doubtful ? this.import(this.doubtful, true) : Promise.resolve();
  }

  /** Puts a design in the bin; it can be had back at once, or from there. */
  protected async remove(design: DesignSummary): Promise<void> {
    await this.attempt(async () => {
      await firstValueFrom(this.api.remove(design.id));
      this.removed.set(design);
      await this.load();
    });
  }

  protected async undoRemoval({ id }: DesignSummary): Promise<void> {
    await this.attempt(async () => {
      await firstValueFrom(this.api.putBackDesign(id));
      this.removed.set(undefined);
      await this.load();
    });
  }

  protected async rename({ id }: DesignSummary, title: string): Promise<void> {
    await this.attempt(async () => {
      const { version, design } = await firstValueFrom(this.api.get(id));
      await firstValueFrom(this.api.save(id, version, { ...design, title }));
      await this.load();
    });
  }

  protected look(change: Partial<ShelfFilter>): void {
    this.filter.update((filter) => ({ ...filter, ...change }));
  }

  protected lookFor(controller: string): void {
    this.look({ controller: controller as ShelfFilter['controller'] });
  }

  protected showAll(): void {
    this.filter.set(everything);
  }

  protected openExample(): void {
    const example = this.designs()?.find((d) => d.example && !d.unreadable);
    if (!example) return;
    this.tour.begin();
    void this.router.navigate(['/design', example.id]);
  }

  protected hideExamples(hidden: boolean): void {
    this.examplesHidden.set(hidden);
    remember('yurei.examples', hidden ? 'hidden' : '');
  }

  /** Everything that is shown is written anew. */
  protected startAnew(): void {
    location.reload();
  }

  protected enough(): void {
    this.visited.set(true);
    remember('yurei.visited', 'yes');
  }

  private async import(file: Blob, acceptDoubts: boolean): Promise<void> {
    this.doubtful = file;
    await this.attempt(async () => {
      await firstValueFrom(this.api.import(file, acceptDoubts));
      await this.load();
    });
  }

  private async attempt(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
      this.failure.set(undefined);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.failure.set(error);
    }
  }
}

function tooLarge({ name, size }: File): ApiError {
  const reason = `${name} has ${decimals(size / 1e6, 1)} MB; no design is larger than 2 MB. Choose a file that was exported here. Nothing was changed.`;
  return new ApiError(413, 'The file is too large', reason, [], []);
}

/** What went wrong with several files, each by its name. Doubtful values are asked about file by file. */
function together(failed: readonly { file: File; error: ApiError }[], all: number): ApiError {
  const problems = failed.flatMap(({ file, error: { message, problems, doubts } }) => {
    const own = [...problems, ...doubts];
    return own.length > 0
      ? own.map((problem) => ({ ...problem, place: `${file.name}: ${problem.place}` }))
      : [
          {
            place: file.name,
            reason: message.replace(/\.$/, ''),
            cure: '',
            severity: 'refuse' as const,
          },
        ];
  });
  return new ApiError(
    failed[0]?.error.status ?? 400,
    `${failed.length} of ${all} files ${failed.length === 1 ? 'was' : 'were'} not taken in`,
    'The others are on the shelf. Choose one of these by itself to be asked about doubtful values.',
    problems,
    [],
  );
}

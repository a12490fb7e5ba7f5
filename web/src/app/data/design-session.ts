import {
  ApplicationRef,
  computed,
  inject,
  Injectable,
  signal,
  type OnDestroy,
} from '@angular/core';
import {
  EditError,
  makeEdit,
  redo,
  startHistory,
  undo,
  type Design,
  type Edit,
  type History,
} from '@yurei/core/design';
import type { ShelfAnswer, StoredDesign } from '@yurei/core/exchange';
import {
  BehaviorSubject,
  catchError,
  concatMap,
  defer,
  EMPTY,
  filter,
  finalize,
  firstValueFrom,
  map,
  of,
  switchMap,
  tap,
  timer,
  type Observable,
} from 'rxjs';
import { reasonOf } from './answer';
import { Api, ApiError } from './api';
import { maySucceedLater, waitAfter } from './back-off';
import { dropDraft, findDraft, keepDraft } from './drafts';

/** Where the present design stands towards the server. */
export type SaveState =
  | { state: 'saved'; at: string }
  | { state: 'saving' }
  /** `copied`: it is kept in this browser; `cure`: what to do; `again`: s until it is tried again, where it is. */
  | { state: 'unsaved'; reason: string; copied: boolean; cure?: string; again?: number }
  | { state: 'conflict'; reason: string };

/** How long after the last edit the design is saved, ms. */
const saveAfter = 600;

/**
 * The design that is being worked on: its history of edits, and its way to the server. Every edit is
 * kept in this browser at once and on the server a moment later.
 */
@Injectable()
export class DesignSession implements OnDestroy {
  private readonly api = inject(Api);
  private readonly app = inject(ApplicationRef);
  private readonly history = signal<History | undefined>(undefined);
  private stored?: Omit<StoredDesign, 'design'>;
  /** How long until the design is to be saved, ms; undefined where nothing is to be saved. */
  private readonly due = new BehaviorSubject<number | undefined>(undefined);
  /** Saves that were asked for, and how many of them are done with. */
  private asked = 0;
  private readonly done = new BehaviorSubject(0);
  /** The design as it is now is kept in this browser. */
  private copied = true;
  /** Saves in a row that failed. */
  private failures = 0;
  private showing = false;

  readonly design = computed(() => this.history()?.present);
  readonly canUndo = computed(() => (this.history()?.done.length ?? 0) > 0);
  readonly canRedo = computed(() => (this.history()?.undone.length ?? 0) > 0);
  readonly save = signal<SaveState>({ state: 'saving' });
  /** Why the last edit was refused; cleared by the next one. */
  readonly refusal = signal('');

  constructor() {
    this.due
      .pipe(
        switchMap((wait) => (wait === undefined ? EMPTY : wait === 0 ? of(0) : timer(wait))),
        tap(() => {
          this.asked++;
          this.due.next(undefined);
        }),
        // One behind the other, or two would ask for the same version.
        concatMap(() =>
          defer(() => this.push()).pipe(finalize(() => this.done.next(this.done.value + 1))),
        ),
      )
      .subscribe();
  }

  /** Whoever opens the design next finds all that was done: nothing is saved behind their back later. */
  ngOnDestroy(): void {
    void this.flush();
  }

  get id(): string {
    return this.stored?.id ?? '';
  }

  /**
   * Loads a design when it is listened to; unsaved work left in this browser is taken up again. It fails with an
   * ApiError; whoever stops listening before it is there keeps what was open.
   */
  open(id: string): Observable<void> {
    return this.api.get(id).pipe(map((stored) => this.begin(id, stored)));
  }

  private begin(id: string, stored: StoredDesign): void {
    this.stored = stored;
    // The shelf tells when; that it could not be noted is no reason not to work.
    this.api.opened(id).subscribe({ error: () => undefined });
    this.save.set({ state: 'saved', at: stored.savedAt });
    const draft = findDraft(id);
    this.history.set(startHistory(draft?.design ?? stored.design));
    if (!draft) return;
    if (draft.version === stored.version) this.due.next(0);
    else this.save.set(conflictWith(stored.version));
  }

  /**
   * Makes an edit.
   *
   * @param gesture edits in a row with the same key undo as one
   * @returns whether the design allowed it; `refusal` says why not
   */
  edit(edit: Edit, gesture?: string): boolean {
    const history = this.history();
    if (!history) return false;
    try {
      performance.mark('yurei-edit');
      this.history.set(makeEdit(history, edit, gesture));
    } catch (error) {
      if (!(error instanceof EditError)) throw error;
      this.refusal.set(error.message);
      return false;
    }
    this.changed();
    return true;
  }

  /**
   * Makes an edit that follows from the design as it stands.
   *
   * @param from gives the edit, or throws EditError with the reason why there is none
   */
  make(from: (design: Design) => Edit): boolean {
    const design = this.design();
    if (!design) return false;
    try {
      return this.edit(from(design));
    } catch (error) {
      if (!(error instanceof EditError)) throw error;
      this.refusal.set(error.message);
      return false;
    }
  }

  undo(): void {
    this.step(undo);
  }

  redo(): void {
    this.step(redo);
  }

  /** Saves what is not saved yet and waits for it. */
  async flush(): Promise<void> {
    if (this.due.value !== undefined) this.due.next(0);
    const { asked } = this;
    await firstValueFrom(this.done.pipe(filter((done) => done >= asked)));
  }

  /** After a conflict: keeps this browser's design and saves it over the other one. */
  async keepMine(): Promise<void> {
    const design = this.design();
    if (!design || !this.stored) return;
    this.stored = await firstValueFrom(this.api.get(this.id));
    this.save.set({ state: 'saving' });
    this.changed();
  }

  /** After a conflict: takes the server's design; the one here can be had back with undo. */
  async takeTheirs(): Promise<void> {
    const stored = await firstValueFrom(this.api.get(this.id));
    this.stored = stored;
    dropDraft(stored.id);
    this.history.update(
      (h) =>
        h && {
          ...startHistory(stored.design),
          done: [{ edit: { type: 'batch', label: 'load', edits: [] }, before: h.present }],
        },
    );
    this.save.set({ state: 'saved', at: stored.savedAt });
  }

  /** Tries again at once what could not be saved. */
  saveNow(): void {
    this.save.set({ state: 'saving' });
    this.due.next(0);
  }

  /** Keeps the answers to the design as it was saved; a design that was changed meanwhile gets its own. */
  async answer(of: Design, answers: ShelfAnswer[]): Promise<void> {
    if (!this.stored || this.save().state !== 'saved' || this.design() !== of) return;
    const { id, version } = this.stored;
    // The shelf shows them the next time; nothing depends on it.
    await firstValueFrom(this.api.answer(id, version, answers)).catch(() => undefined);
  }

  private step(move: (history: History) => History): void {
    const history = this.history();
    if (!history) return;
    const next = move(history);
    if (next === history) return;
    this.history.set(next);
    this.changed();
  }

  private changed(): void {
    this.refusal.set('');
    this.show();
    const design = this.design();
    if (!design || !this.stored) return;
    this.copied = keepDraft(this.id, { version: this.stored.version, design });
    if (this.save().state === 'conflict') return;
    this.save.set(
      this.copied
        ? { state: 'saving' }
        : { state: 'unsaved', reason: 'This browser has no room for a copy', copied: false },
    );
    this.due.next(saveAfter);
  }

  /**
   * Renders before the maker's next event is handled: what a template hands to a handler is as old as the
   * last rendering, and an edit made from it would undo the one before.
   */
  private show(): void {
    if (this.showing) return;
    this.showing = true;
    queueMicrotask(() => {
      this.showing = false;
      if (!this.app.destroyed) this.app.tick();
    });
  }

  private push(): Observable<unknown> {
    const design = this.design();
    if (!design || !this.stored) return EMPTY;
    return this.api.save(this.id, this.stored.version, design).pipe(
      tap((stored) => {
        this.stored = stored;
        this.settle(design, stored.savedAt);
      }),
      catchError((error: unknown) => {
        this.fail(error);
        return EMPTY;
      }),
    );
  }

  private settle(saved: Design, at: string): void {
    this.failures = 0;
    if (this.design() !== saved) return;
    dropDraft(this.id);
    this.save.set({ state: 'saved', at });
  }

  private fail(error: unknown): void {
    const { copied } = this;
    // Whatever it is, later saves are tried all the same.
    if (!(error instanceof ApiError))
      return this.save.set({ state: 'unsaved', reason: reasonOf(error), copied });
    if (error.status === 409) {
      this.save.set(conflictWith(undefined));
      return;
    }
    const reason = error.problems[0]?.reason ?? error.title;
    const unsaved = { state: 'unsaved', reason, copied, cure: error.message } as const;
    if (!maySucceedLater(error.status)) return this.save.set(unsaved);
    const wait = waitAfter(++this.failures, error.retryAfter);
    this.save.set({ ...unsaved, again: Math.ceil(wait / 1000) });
    this.due.next(wait);
  }
}

const conflictWith = (version: number | undefined): SaveState => ({
  state: 'conflict',
  reason: `The design was saved from another window${version === undefined ? '' : ` (version ${version})`} since.`,
});

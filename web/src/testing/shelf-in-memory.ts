import { readDesign } from '@yurei/core/exchange';
import type { Design } from '@yurei/core/design';
import type {
  DesignMakeup,
  DesignSummary,
  RemovedDesign,
  ShelfAnswer,
  StoredDesign,
} from '@yurei/core/exchange';
import { defer, from, of, switchMap, throwError, type Observable } from 'rxjs';
import { ApiError, type TakenIn } from '../app/data/api';

/** Stands in for the server: keeps designs in memory and answers as the endpoints do. */
export class ShelfInMemory {
  readonly stored = new Map<string, StoredDesign>();
  /** While set, every call fails with it. */
  failure?: ApiError;
  /** Why designs cannot be read, by id. */
  readonly unreadable = new Map<string, string>();
  /** What was answered of every design. */
  answers?: ShelfAnswer[];
  /** What was told of which save. */
  readonly answered: { id: string; version: number; answers: ShelfAnswer[] }[] = [];
  putBacks = 0;
  readonly binned = new Map<string, StoredDesign>();
  /** Ids in the order in which they were opened. */
  readonly openings: string[] = [];
  /** Ids that came with the program. */
  readonly examples = new Set<string>();
  readonly makeups = new Map<string, DesignMakeup>();

  constructor(...designs: Design[]) {
    designs.forEach((design) => this.add(design));
  }

  list(): Observable<DesignSummary[]> {
    return this.told(() =>
      [...this.stored.values()].map((stored) => ({
        ...summary(stored),
        answers: this.answers,
        example: this.examples.has(stored.id),
        makeup: this.makeups.get(stored.id),
        unreadable: this.unreadable.get(stored.id),
      })),
    );
  }

  get(id: string): Observable<StoredDesign> {
    return this.told(() => {
      const found = this.stored.get(id);
      if (!found) throw new ApiError(404, 'Not on the shelf', 'It may have been removed.', [], []);
      return found;
    });
  }

  create(design: Design): Observable<StoredDesign> {
    return this.told(() => this.add(design));
  }

  save(id: string, version: number, design: Design): Observable<Omit<StoredDesign, 'design'>> {
    return this.told(() => {
      const saved = { id, version: version + 1, savedAt: '2026-05-01T10:00:00Z', design };
      this.stored.set(id, saved);
      this.unreadable.delete(id);
      return saved;
    });
  }

  revisions(id: string): Observable<Pick<StoredDesign, 'version' | 'savedAt'>[]> {
    return this.told(() => [this.stored.get(id)].flatMap((d) => (d ? [d] : [])));
  }

  revision(id: string): Observable<StoredDesign> {
    return this.get(id);
  }

  takeIn(): Observable<TakenIn> {
    return this.told(() => ({ designs: 2, there: 1 }));
  }

  putBack(): Observable<unknown> {
    return this.told(() => (this.putBacks += 1));
  }

  answer(id: string, version: number, answers: ShelfAnswer[]): Observable<unknown> {
    return this.told(() => this.answered.push({ id, version, answers }));
  }

  remove(id: string): Observable<unknown> {
    return this.told(() => {
      const found = this.stored.get(id);
      if (found) this.binned.set(id, found);
      this.stored.delete(id);
    });
  }

  bin(): Observable<RemovedDesign[]> {
    return this.told(() =>
      [...this.binned.values()].map(({ id, design }) => ({
        id,
        title: design.title,
        removedAt: '2026-05-01T11:00:00Z',
      })),
    );
  }

  putBackDesign(id: string): Observable<unknown> {
    return this.told(() => {
      const found = this.binned.get(id);
      if (!found) throw new ApiError(404, 'Not in the bin', 'It is gone.', [], []);
      this.binned.delete(id);
      this.stored.set(id, found);
    });
  }

  discard(id: string): Observable<unknown> {
    return this.told(() => this.binned.delete(id));
  }

  opened(id: string): Observable<unknown> {
    return this.told(() => this.openings.push(id));
  }

  import(file: Blob, acceptDoubts: boolean): Observable<StoredDesign> {
    return from(file.text()).pipe(switchMap((text) => this.take(text, acceptDoubts)));
  }

  private take(text: string, acceptDoubts: boolean): Observable<StoredDesign> {
    return this.told(() => {
      const read = readDesign(text);
      if (!read.ok) throw new ApiError(422, 'It cannot be read', '', read.problems, []);
      if (read.doubts.length > 0 && !acceptDoubts)
        throw new ApiError(409, 'Some values are doubtful', '', [], read.doubts);
      return this.add(read.design);
    });
  }

  private add(design: Design): StoredDesign {
    const id = `d${this.stored.size + 1}`;
    const stored = { id, version: 1, savedAt: '2026-05-01T09:00:00Z', design };
    this.stored.set(id, stored);
    return stored;
  }

  private told<T>(work: () => T): Observable<T> {
    return defer(() => {
      try {
        return this.failure ? throwError(() => this.failure) : of(work());
      } catch (error) {
        return throwError(() => error);
      }
    });
  }
}

const summary = ({ id, version, savedAt, design }: StoredDesign): DesignSummary => ({
  id,
  version,
  savedAt,
  title: design.title,
  purpose: design.purpose,
  site: design.site,
  parts: design.parts.length,
  scenes: design.scenes.length,
  openedAt: '',
  example: false,
});

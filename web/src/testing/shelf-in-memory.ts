import { readDesign } from '@yurei/core/exchange';
import type { Design } from '@yurei/core/design';
import type { DesignSummary, StoredDesign } from '@yurei/core/exchange';
import { defer, of, throwError, type Observable } from 'rxjs';
import { ApiError } from '../app/data/api';

/** Stands in for the server: keeps designs in memory and answers as the endpoints do. */
export class ShelfInMemory {
  readonly stored = new Map<string, StoredDesign>();
  /** While set, every call fails with it. */
  failure?: ApiError;

  constructor(...designs: Design[]) {
    designs.forEach((design) => this.add(design));
  }

  list(): Observable<DesignSummary[]> {
    return this.answer(() => [...this.stored.values()].map(summary));
  }

  get(id: string): Observable<StoredDesign> {
    return this.answer(() => {
      const found = this.stored.get(id);
      if (!found) throw new ApiError(404, 'Not on the shelf', 'It may have been removed.', [], []);
      return found;
    });
  }

  create(design: Design): Observable<StoredDesign> {
    return this.answer(() => this.add(design));
  }

  save(id: string, version: number, design: Design): Observable<Omit<StoredDesign, 'design'>> {
    return this.answer(() => {
      const saved = { id, version: version + 1, savedAt: '2026-05-01T10:00:00Z', design };
      this.stored.set(id, saved);
      return saved;
    });
  }

  remove(id: string): Observable<unknown> {
    return this.answer(() => this.stored.delete(id));
  }

  import(text: string, acceptDoubts: boolean): Observable<StoredDesign> {
    return this.answer(() => {
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

  private answer<T>(work: () => T): Observable<T> {
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
});

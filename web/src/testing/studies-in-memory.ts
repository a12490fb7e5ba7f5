import type { Design } from '@yurei/core/design';
import type { StoredStudy, StudyState, StudySummary } from '@yurei/core/exchange';
import { casesOf, type Study } from '@yurei/core/trials';
import { from, type Observable } from 'rxjs';
import { bench } from '../app/bench/bench-core';
import type { Save, Studies, StudyTold } from '../app/data/studies';
import type { ShelfInMemory } from './shelf-in-memory';

type Face = { [K in keyof Studies]: Studies[K] };

/** Stands in for the server's studies: rehearses in this thread, one night after the other, and keeps them. */
export class StudiesInMemory implements Face {
  readonly kept = new Map<string, StoredStudy>();
  readonly earlier: Design[] = [];
  /** While set, every call fails with it. */
  failure?: Error;

  constructor(private readonly shelf: ShelfInMemory) {}

  async start(design: string, document: Design, study: Study): Promise<StudySummary> {
    this.fail();
    const id = `s${this.kept.size + 1}`;
    const scene = document.scenes.find((s) => s.id === study.scene)?.name ?? '';
    const wanted = casesOf(document, study).length * study.count;
    const madeAt = '2026-05-01T10:00:00Z';
    const state: StudyState = 'running';
    const summary = { id, design, madeAt, state, scene, ask: study.ask.for, done: 0, wanted };
    this.kept.set(id, { ...summary, document, study, nights: [] });
    return summary;
  }

  async list(): Promise<StudySummary[]> {
    this.fail();
    return [...this.kept.values()];
  }

  async get(id: string): Promise<StoredStudy> {
    const found = this.kept.get(id);
    if (!found) throw new Error('It is not kept here.');
    return found;
  }

  async cancel(id: string): Promise<void> {
    this.put(id, { state: 'cancelled' });
  }

  async remove(id: string): Promise<void> {
    this.kept.delete(id);
  }

  async saves(): Promise<Save[]> {
    this.fail();
    const count = this.earlier.length;
    return [
      { version: count + 1, savedAt: '2026-05-01T09:00:00Z' },
      ...this.earlier.map((_, i) => ({ version: count - i, savedAt: '2026-04-01T09:00:00Z' })),
    ];
  }

  async save(_: string, version: number): Promise<Design> {
    return this.earlier[version - 1] ?? [...this.shelf.stored.values()][0].design;
  }

  follow(id: string): Observable<StudyTold> {
    return from(this.rehearse(id));
  }

  private async *rehearse(id: string): AsyncGenerator<StudyTold> {
    const { document, study, nights: trials, wanted, state } = await this.get(id);
    yield { nights: trials };
    if (state !== 'running') return yield { ended: state };
    for (let i = 0; i < wanted; i++) {
      await new Promise((done) => setTimeout(done, 0));
      if (this.kept.get(id)?.state === 'cancelled') return yield { ended: 'cancelled' };
      const [{ case: which, night: trial }] = bench.nights(document, study, [i]);
      const fresh = { case: which, night: { ...trial, sampled: undefined } };
      delete fresh.night.sampled;
      this.put(id, { nights: [...(await this.get(id)).nights, fresh], done: i + 1 });
      yield { nights: [fresh] };
    }
    this.put(id, { state: 'done' });
    yield { ended: 'done' };
  }

  private put(id: string, change: Partial<StoredStudy>): void {
    const found = this.kept.get(id);
    if (found) this.kept.set(id, { ...found, ...change });
  }

  private fail(): void {
    if (this.failure) throw this.failure;
  }
}

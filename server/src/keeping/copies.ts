import { existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';

/** Copies of one kind that are kept. */
const mostKept = 7;

/** Why a copy was made. */
export type CopyKind = 'daily' | 'before-migration' | 'before-restore';

interface Copy {
  name: string;
  number: number;
  kind: string;
  date: string;
}

/**
 * The copies in the folder `backups` beside the database. They are counted: which is newest does not depend on the
 * clock.
 */
export class Copies {
  private readonly folder: string;

  constructor(data: string) {
    this.folder = join(data, 'backups');
  }

  /** Whether there is a daily copy of this date. */
  has(date: string): boolean {
    return this.all().some((c) => c.kind === 'daily' && c.date === date);
  }

  /** Where the next copy goes. */
  next(kind: CopyKind, date: string): string {
    mkdirSync(this.folder, { recursive: true });
    const number = 1 + Math.max(0, ...this.all().map((c) => c.number));
    return join(this.folder, `${String(number).padStart(6, '0')}-${kind}-${date}.sqlite`);
  }

  /** Removes the oldest of a kind, beyond those that are kept. */
  thin(kind: CopyKind): void {
    const of = this.all().filter((c) => c.kind === kind);
    for (const { name } of of.slice(0, -mostKept)) rmSync(join(this.folder, name), { force: true });
  }

  /** Oldest first. */
  private all(): Copy[] {
    if (!existsSync(this.folder)) return [];
    return readdirSync(this.folder)
      .flatMap((name) => {
        const [, number, kind = '', date = ''] =
          /^(\d{6,})-([a-z-]+)-(\d{4}-\d\d-\d\d)\.sqlite$/.exec(name) ?? [];
        return number ? [{ name, number: Number(number), kind, date }] : [];
      })
      .sort((a, b) => a.number - b.number);
  }
}

/** The date of a moment, UTC, as it stands in the name of a copy. */
export const dateOf = (moment: Date): string => moment.toISOString().slice(0, 10);

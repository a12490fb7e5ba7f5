import type { Unit } from '../quantity/index.js';

/** Lists of a design whose items a condition may name. */
export type Named = 'channel' | 'counter' | 'machine' | 'rule' | 'sequence';

/** What one field of a condition says: its shape in a file, its place in an expression, its control. */
export type Field =
  | { type: 'condition' }
  /** One or more, joined by a word. */
  | { type: 'conditions'; word: string }
  | { type: 'name'; of: Named; label: string }
  /** One of the modes of the machine that is named beside it. */
  | { type: 'mode'; label: string }
  | NumberField
  | { type: 'choice'; label: string; options: readonly string[] }
  /** Of day, s after midnight. */
  | { type: 'time'; label: string };

export interface NumberField {
  type: 'number';
  label: string;
  unit?: Unit;
  min: number;
  max: number;
  /** Above `min`, not at it. */
  above?: true;
  /** Not below the field of this name. */
  from?: string;
  whole?: true;
  nonzero?: true;
}

/** The field for a value of a type. */
export type FieldOf<T> = T extends number
  ? Extract<Field, { type: 'number' | 'time' }>
  : T extends string
    ? Extract<Field, { type: 'name' | 'mode' | 'choice' }>
    : T extends readonly unknown[]
      ? Extract<Field, { type: 'conditions' }>
      : Extract<Field, { type: 'condition' }>;

export const part = { type: 'condition' } as const;
export const parts = (word: string) => ({ type: 'conditions', word }) as const;
export const name = (of: Named, label: string) => ({ type: 'name', of, label }) as const;
export const choice = (label: string, ...options: string[]) =>
  ({ type: 'choice', label, options }) as const;

/** A length of time, s. */
export const seconds = (label: string, more: Pick<NumberField, 'above'> = {}): NumberField => ({
  type: 'number',
  label,
  unit: 's',
  min: 0,
  max: 1e7,
  ...more,
});

/** Counts of a converter, a tag or what is reckoned from them. */
export const counts = (label: string, more: Pick<NumberField, 'nonzero'> = {}): NumberField => ({
  type: 'number',
  label,
  min: -4294967295,
  max: 4294967295,
  ...more,
});

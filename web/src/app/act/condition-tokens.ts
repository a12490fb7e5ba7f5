import type { Param } from '@yurei/core/catalog';
import {
  fieldsOf,
  kindOfCondition,
  type Condition,
  type Field,
  type NumberField,
} from '@yurei/core/condition';
import type { Design } from '@yurei/core/design';
import { sayTime } from '@yurei/core/quantity';
import type { Choice } from '../common/choice-field';

/** One word or control of the sentence in which a condition is edited. */
export type SentenceToken =
  | { type: 'word'; word: string; soft: boolean }
  | { type: 'condition'; name: string; value: Condition }
  | { type: 'conditions'; name: string; word: string; value: readonly Condition[] }
  | { type: 'choice'; name: string; label: string; choices: readonly Choice[]; value: string }
  | { type: 'number'; name: string; param: Param; value: number }
  | { type: 'time'; name: string; label: string; value: string };

/** Least length of time of those that must be above 0, s. */
const shortest = 0.001;

/** The sentence of a condition: bold words where parts are joined, plain ones between fields. */
export function tokensOf(condition: Condition, design: Design): SentenceToken[] {
  const fields = new Map([...fieldsOf(condition)].map(([name, ...rest]) => [name, rest] as const));
  const joins = [...fields.values()].some(([{ type }]) => type.startsWith('condition'));
  return kindOfCondition(condition)
    .phrase(condition)
    .map((token): SentenceToken => {
      if (typeof token === 'string') return { type: 'word', word: token, soft: !joins };
      const { field: name } = token;
      const [field, value] = fields.get(name) ?? [];
      if (!field) throw new RangeError(`A condition “${condition.is}” has no field ${name}.`);
      return control(name, field, value, condition, design);
    });
}

function control(
  name: string,
  field: Field,
  value: unknown,
  condition: Condition,
  design: Design,
): SentenceToken {
  switch (field.type) {
    case 'condition':
      return { type: 'condition', name, value: value as Condition };
    case 'conditions':
      return { type: 'conditions', name, word: field.word, value: value as Condition[] };
    case 'number':
      return { type: 'number', name, param: paramOf(field), value: value as number };
    case 'time':
      return { type: 'time', name, label: field.label, value: sayTime(value as number) };
    case 'choice': {
      const choices = field.options.map((label) => ({ value: label, label }));
      return { type: 'choice', name, label: field.label, choices, value: String(value) };
    }
    case 'mode': {
      const machine = 'machine' in condition ? condition.machine : '';
      const choices = modesOf(design);
      return {
        type: 'choice',
        name,
        label: field.label,
        choices,
        value: `${machine} ${String(value)}`,
      };
    }
    default: {
      const choices = thingsOf(design, field.of);
      return { type: 'choice', name, label: field.label, choices, value: String(value) };
    }
  }
}

const paramOf = ({ label, unit = '', min, max, above, whole }: NumberField): Param => ({
  id: 'n',
  label,
  unit,
  default: 1,
  min: above ? shortest : min,
  max,
  ...(whole ? { whole } : {}),
});

function thingsOf(design: Design, of: Extract<Field, { type: 'name' }>['of']): Choice[] {
  const named = (list: readonly { id: string; name?: string }[]): Choice[] =>
    list.map(({ id, name }) => ({ value: id, label: name || id }));
  switch (of) {
    case 'channel':
      return named(design.channels);
    case 'counter':
      return named(design.counters);
    case 'machine':
      return named(design.machines);
    case 'rule':
      return named(design.rules);
    default:
      return named(design.sequences);
  }
}

/** All modes, as "machine mode". */
const modesOf = ({ machines }: Design): Choice[] =>
  machines.flatMap((m) =>
    m.modes.map((mode): Choice => ({
      value: `${m.id} ${mode.id}`,
      label: machines.length > 1 ? `${m.name}: ${mode.name}` : mode.name,
    })),
  );

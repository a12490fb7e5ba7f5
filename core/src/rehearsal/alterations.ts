import { contactStands, kindOf, paramsOf, storedOf, type Param } from '../catalog/index.js';
import type { Circuit } from '../circuit/index.js';
import type { Design, Target } from '../design/index.js';
import type { Alteration, Now } from '../scene/index.js';
import type { Breaker } from './staged.js';

/** What a scene does to values, wires and parts of a design, told to its circuit from moment to moment. */
export class Alterations {
  /** What was told last, by what it was told of. */
  private readonly told = new Map<string, number>();

  constructor(
    private readonly design: Design,
    private readonly breakers: readonly Breaker[],
    private readonly circuit: Circuit,
  ) {}

  /** Whether nothing was done so far. */
  get isNone(): boolean {
    return this.told.size === 0;
  }

  /** @returns the largest change since the last time, as a share of what the value can be; 0 where none */
  update({ altered }: Now): number {
    if (altered.length === 0 && this.told.size === 0) return 0;
    return Math.max(
      0,
      ...this.contacts(altered),
      ...this.values(altered),
      ...this.renewals(altered),
    );
  }

  private contacts(altered: Now['altered']): number[] {
    return this.breakers.map(({ id, target, breaks }) => {
      const on = altered.some(
        ({ target: { part, wire }, by }) =>
          part === target.part &&
          wire === target.wire &&
          (breaks === 'open' ? by.open : by.bridged),
      );
      if ((this.told.get(id) ?? 0) === Number(on)) return 0;
      this.told.set(id, Number(on));
      this.circuit.setParams(id, contactStands(on === (breaks === 'across')));
      return 1;
    });
  }

  /** Each battery that has taken the place of another since, with its charge. */
  private renewals(altered: Now['altered']): number[] {
    const fresh = new Map<string, number[]>();
    for (const { target, by } of altered)
      if (target.part !== undefined && by.renewed !== undefined)
        fresh.set(target.part, [...(fresh.get(target.part) ?? []), by.renewed]);
    return [...fresh].map(([part, charges]) => {
      const key = `renewed ${part}`;
      if (this.told.get(key) === charges.length) return 0;
      this.told.set(key, charges.length);
      this.circuit.renew(part, charges.at(-1) ?? 1);
      return 1;
    });
  }

  private values(altered: Now['altered']): number[] {
    const aimed = new Map<string, { target: Target; by: Alteration }[]>();
    for (const one of altered) {
      const { part, param } = one.target;
      if (!one.by.value || part === undefined || param === undefined) continue;
      const key = `${part} ${param}`;
      aimed.set(key, [...(aimed.get(key) ?? []), one]);
    }
    return [...aimed].map(([key, ones]) => this.setValue(key, ones));
  }

  /** Each that came later starts from what those before it have made of the value. */
  private setValue(key: string, ones: readonly { target: Target; by: Alteration }[]): number {
    const { part: id, param: name } = ones[0]?.target ?? {};
    const part = this.design.parts.find((p) => p.id === id);
    const param = part && kindOf(part).params.find((p) => p.id === name);
    if (!part || !param) return 0;
    const own = storedOf([param], paramsOf(part))[param.id] ?? param.default;
    const value = ones.reduce((now, { by }) => towards(param, now, by), own);
    const before = this.told.get(key) ?? own;
    if (value === before) return 0;
    this.told.set(key, value);
    this.circuit.setParams(part.id, { [param.id]: value });
    return Math.abs(value - before) / Math.max(Math.abs(value), Math.abs(before));
  }
}

/** A value on its way to another; what has only steps changes half-way. */
function towards(param: Param, from: number, { value }: Alteration): number {
  if (!value) return from;
  const { min = -Infinity, max = Infinity, whole, choices } = param;
  const top = choices ? choices.length - 1 : max;
  const to = Math.min(top, Math.max(choices ? 0 : min, value.to));
  if (whole || choices) return value.share >= 0.5 ? Math.round(to) : from;
  return from + (to - from) * value.share;
}

import { kindOf, paramOf } from '../catalog/index.js';
import type { Part } from '../design/index.js';
import { formatNominal, type Unit } from '../quantity/index.js';
import type { Slip, SlipKind } from './slip.js';

/** What is printed or striped on a part, where one digit too many or too few is easily read. */
const marked: ReadonlySet<Unit> = new Set<Unit>(['Ω', 'F', 'H']);

function timesTen(part: Part): Slip[] {
  const { params, resistance, capacitance } = kindOf(part);
  if (!resistance && !capacitance && params.every((p) => p.unit !== 'H')) return [];
  const value = params.find((p) => (resistance ? p.id === resistance.param : marked.has(p.unit)));
  if (!value) return [];
  const now = paramOf(part, value.id);
  return [10, 0.1]
    .map((by) => Number((now * by).toPrecision(6)))
    .filter((other) => other >= value.min && other <= value.max)
    .map((other) => {
      const [is, was] = [other, now].map((v) => formatNominal(v, value.unit));
      return {
        says: `${part.id} of ${is} for ${was}`,
        label: `${part.id} → ${is}`,
        undoes: `${part.name} of ${was} is ten times too ${other > now ? 'small' : 'large'}`,
        about: [part.id],
        edit: { type: 'set-param', id: part.id, param: value.id, value: other },
      };
    });
}

/** A resistor, capacitor or inductor of ten times or a tenth of its value. */
export const values: SlipKind = {
  id: 'value',
  label: 'A value ten times too large or too small',
  undoesItself: true,
  all: (design) => design.parts.flatMap(timesTen),
};

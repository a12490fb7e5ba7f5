import { kindOf, numbersOf, type Param } from '../catalog/index.js';
import type { Design, Part } from '../design/index.js';
import { entry } from '../quantity/index.js';
import type { Adjustment } from './adjustments.js';

/** Values are tried up to so many times as large or small. */
const wide = 10;
/** More parts than this are not turned. */
const most = 12;

/** The knob by which a part is set, if it has one. */
function adjusterOf(part: Part): Param | undefined {
  const { curve, stage, params, waves } = kindOf(part);
  const vary = curve?.vary;
  if (!vary || !('param' in vary) || waves) return undefined;
  if (stage !== 'feels' && stage !== 'conditions') return undefined;
  return params.find((p) => p.id === vary.param && !p.choices);
}

const valueOf = (part: Part, param: string): number =>
  entry(numbersOf(kindOf(part).params, part.params), param);

const turned = (part: Part, { id, label, unit }: Param, to: number): Adjustment => ({
  label: `${label} of ${part.name}`,
  unit,
  from: valueOf(part, id),
  to,
  whole: false,
  edit: (_, value) => ({ type: 'set-param', id: part.id, param: id, value }),
});

/** Values of a circuit that can be turned until it does what it should: knobs from end to end, then resistors ten times up and down. */
export function partAdjustments({ parts }: Design): Adjustment[] {
  const adjusters = parts.flatMap((part) => {
    const adjuster = adjusterOf(part);
    return adjuster
      ? [turned(part, adjuster, adjuster.max), turned(part, adjuster, adjuster.min)]
      : [];
  });
  const values = parts.flatMap((part) => {
    const { resistance, params } = kindOf(part);
    const param = params.find((p) => p.id === resistance?.param);
    if (!param) return [];
    const now = valueOf(part, param.id);
    return [now * wide, now / wide].map((to) => ({
      ...turned(part, param, Math.min(param.max, Math.max(param.min, to))),
      bought: true,
    }));
  });
  return [...adjusters, ...values].slice(0, 2 * most);
}

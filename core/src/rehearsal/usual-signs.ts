import { kindOf } from '../catalog/index.js';
import { fieldsOf, wholeOf, type Condition } from '../condition/index.js';
import { terminalRef, type Design, type Part, type Rule, type Sign } from '../design/index.js';
import { branchOf, wiringOf } from '../wiring/index.js';
import { indicates } from './indicates.js';

/**
 * By what it is told that something was noticed where a happening does not say: what sounds, moves or sends. A light counts
 * where nothing of that answers to the same, a switch where it switches nothing in the design, and a notice where no part
 * tells anything; one that follows a reading never does.
 */
export function usualSigns(design: Design): readonly Sign[] {
  const signs = known.get(design) ?? signsOf(design);
  known.set(design, signs);
  return signs;
}

const known = new WeakMap<Design, readonly Sign[]>();

function signsOf(design: Design): Sign[] {
  const acting = design.parts.filter((part) => kindOf(part).acts && !indicates(part));
  const does = (part: Part): string | undefined => kindOf(part).acts?.does;
  const lights = acting.filter((part) => does(part) === 'shines');
  const switches = acting.filter((part) => does(part) === 'switches');
  const alarms = acting.filter((part) => !lights.includes(part) && !switches.includes(part));
  const carriers = [...alarms, ...switches.filter((part) => switchesElsewhere(design, part))];
  const told = design.rules.map((rule) => ({ rule, parts: partsOf(design, rule) }));
  const signs = [...carriers, ...lights.filter((light) => !answersWith(light, carriers, told))].map(
    ({ id }): Sign => ({ by: 'part', part: id }),
  );
  return signs.length > 0
    ? signs
    : design.notices
        .filter(({ tells }) => tells.tell !== 'reading')
        .map(({ id }): Sign => ({ by: 'notice', notice: id }));
}

interface Told {
  rule: Rule;
  parts: ReadonlySet<string>;
}

/** Parts reached from the outputs that a rule drives, itself or by what it plays. */
function partsOf(design: Design, rule: Rule): Set<string> {
  const outputs = rule.then.flatMap((act) => {
    if (act.do === 'drive') return [act.output];
    const played = design.sequences.find((s) => act.do === 'play' && s.id === act.sequence);
    return played?.lanes.map((lane) => lane.output) ?? [];
  });
  const wiring = wiringOf(design);
  const reached = design.outputs
    .filter((o) => outputs.includes(o.id))
    .flatMap(({ pin }) => {
      const others = design.outputs.filter((o) => o.pin !== pin).map((o) => wiring.net(o.pin));
      return branchOf(design, pin, new Set(others));
    });
  return new Set(reached);
}

/** Whether what a switch switches is not in the design: nothing acts behind contacts in use, or none is in use. */
function switchesElsewhere(design: Design, part: Part): boolean {
  const own = (kindOf(part).contacts ?? []).map(({ terminals }) =>
    terminals.map((t) => terminalRef(part.id, t)),
  );
  const wired = (ref: string): boolean => design.wires.some((w) => w.from === ref || w.to === ref);
  const inUse = own.filter((refs) => refs.some(wired));
  return (
    inUse.length === 0 ||
    inUse.some((refs) => {
      const behind = refs.flatMap((ref) => branchOf(design, ref));
      return !design.parts.some((p) => p !== part && behind.includes(p.id) && kindOf(p).acts);
    })
  );
}

/** Whether with all that lights a light one of the others answers as well: without rules, to anything. */
function answersWith(light: Part, others: readonly Part[], told: readonly Told[]): boolean {
  const own = told.filter(({ parts }) => parts.has(light.id));
  if (own.length === 0) return others.length > 0;
  const louder = told.filter(({ parts }) => others.some((other) => parts.has(other.id)));
  return own.every(({ rule }) => {
    const asked = namesIn(rule.when);
    return louder.some(
      (o) => o.rule === rule || namesIn(o.rule.when).some((n) => asked.includes(n)),
    );
  });
}

/** What a condition names: "channel c1". */
const namesIn = (condition: Condition): string[] =>
  wholeOf(condition).flatMap((c) =>
    [...fieldsOf(c)].flatMap(([, field, value]) =>
      field.type === 'name' ? [`${field.of} ${String(value)}`] : [],
    ),
  );

import { XMLParser, XMLValidator } from 'fast-xml-parser';
import type { Problem } from '../catalog/index.js';
import type { Act, Machine, Transition } from '../design/index.js';
import { ConditionError, readCondition } from './condition-text.js';

/** Charts read from a state chart file, or why it cannot be. */
export type ScxmlResult = { ok: true; machines: Machine[] } | { ok: false; problems: Problem[] };

interface Element {
  name: string;
  attributes: Record<string, string>;
  children: Element[];
}

/** Something in the file that has no counterpart here. */
class Outside extends Error {
  constructor(
    readonly place: string,
    reason: string,
    readonly cure: string,
  ) {
    super(reason);
  }
}

const largest = 1_000_000;

/**
 * Reads charts from W3C SCXML: states directly in the root or in one parallel, with atomic states in them; transitions by
 * `cond`, or by an event sent with a delay when the state was entered. Anything else is refused by name.
 */
export function readScxml(text: string): ScxmlResult {
  try {
    return { ok: true, machines: chartsOf(parse(text)) };
  } catch (error) {
    if (!(error instanceof Outside)) throw error;
    const { place, message: reason, cure } = error;
    return { ok: false, problems: [{ place, reason, cure, severity: 'refuse' }] };
  }
}

function parse(text: string): Element {
  if (text.length > largest)
    throw new Outside('file', 'The file has more than a megabyte', 'Choose a smaller one.');
  const valid = XMLValidator.validate(text);
  if (valid !== true) {
    const { line, msg } = valid.err;
    throw new Outside(`line ${line}`, `It is not well-formed XML: ${msg}`, 'Mend it there.');
  }
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    parseAttributeValue: false,
    processEntities: true,
  });
  const found = (parser.parse(text) as Record<string, unknown>[])
    .flatMap((node) => elementOf(node) ?? [])
    .find((e) => !e.name.startsWith('?'));
  if (found?.name !== 'scxml')
    throw new Outside(
      'file',
      `Its root is <${found?.name ?? ''}>, not <scxml>`,
      'Choose an SCXML file.',
    );
  return found;
}

function elementOf(node: Record<string, unknown>): Element | undefined {
  const name = Object.keys(node).find((key) => key !== ':@');
  if (name === undefined || name.startsWith('#')) return undefined;
  const children = (node[name] as Record<string, unknown>[]).flatMap((n) => elementOf(n) ?? []);
  return { name, attributes: (node[':@'] ?? {}) as Record<string, string>, children };
}

/** Refuses children of other names than these. */
function only(parent: Element, names: readonly string[]): void {
  for (const { name } of parent.children) {
    if (names.includes(name)) continue;
    const place = `<${parent.name}${parent.attributes['id'] ? ` id="${parent.attributes['id']}"` : ''}>`;
    const cure = `Here it can hold ${names.map((n) => `<${n}>`).join(', ') || 'nothing'}.`;
    throw new Outside(place, `<${name}> has no counterpart here`, cure);
  }
}

function chartsOf(root: Element): Machine[] {
  only(root, ['datamodel', 'parallel', 'state']);
  const parallel = root.children.find((e) => e.name === 'parallel');
  if (parallel) only(parallel, ['state']);
  const states = (parallel ?? root).children.filter((e) => e.name === 'state');
  const nested = states.some((s) => s.children.some((c) => c.name === 'state'));
  // States right in the root are the modes of one chart.
  const charts = nested || parallel ? states : [{ ...root, children: states }];
  const machines = charts.map(chartOf);
  const twice = machines.find((m, i) => machines.findIndex((n) => n.id === m.id) < i);
  if (twice)
    throw new Outside(`<state id="${twice.id}">`, 'Two charts have this id', 'Rename one.');
  return machines;
}

const idOf = (text: string): string => {
  const id = text.replace(/[^A-Za-z0-9_-]/g, '-').slice(0, 32);
  return /^[A-Za-z]/.test(id) ? id : `m${id}`.slice(0, 32);
};

function chartOf(element: Element): Machine {
  const own = element.attributes['id'] ?? element.attributes['name'] ?? 'chart';
  const states = element.children.filter((e) => e.name === 'state');
  if (element.name === 'state') only(element, ['state']);
  const [first] = states;
  if (!first)
    throw new Outside(`<state id="${own}">`, 'It has no states in it', 'A chart needs modes.');
  const modes = new Map(states.map((s) => [s.attributes['id'] ?? '', modeId(own, s)]));
  const startAt = element.attributes['initial'] ?? first.attributes['id'] ?? '';
  const start = modes.get(startAt);
  if (start === undefined)
    throw new Outside(
      `<state id="${own}">`,
      `Its initial state “${startAt}” is not there`,
      'Name one of its own.',
    );
  const transitions = states.flatMap((state) => waysOf(state, modes));
  return {
    id: idOf(own),
    name: element.attributes['yurei:name'] ?? own,
    modes: states.map((s) => ({
      id: modes.get(s.attributes['id'] ?? '') ?? '',
      name: s.attributes['yurei:name'] ?? s.attributes['id'] ?? '',
    })),
    start,
    ...(element.attributes['yurei:kept'] === 'true' ? { kept: true } : {}),
    transitions: fromAny(transitions),
  };
}

/** "guard.armed" in the chart guard is its mode armed. */
function modeId(chart: string, state: Element): string {
  const id = state.attributes['id'];
  if (!id) throw new Outside('<state>', 'A state has no id', 'Give it one.');
  return idOf(id.startsWith(`${chart}.`) ? id.slice(chart.length + 1) : id);
}

interface Way extends Transition {
  any?: string;
}

function waysOf(state: Element, modes: ReadonlyMap<string, string>): Way[] {
  only(state, ['transition', 'onentry', 'onexit']);
  const id = state.attributes['id'] ?? '';
  const place = `<state id="${id}">`;
  const delays = new Map<string, number>();
  for (const entry of state.children.filter((e) => e.name === 'onentry')) {
    only(entry, ['send']);
    for (const { attributes } of entry.children)
      delays.set(attributes['event'] ?? '', seconds(attributes['delay'] ?? '0s', place));
  }
  for (const exit of state.children.filter((e) => e.name === 'onexit')) only(exit, ['cancel']);
  return state.children
    .filter((e) => e.name === 'transition')
    .map((e) => wayOf(e, modes, modes.get(id) ?? '', delays, place));
}

function wayOf(
  element: Element,
  modes: ReadonlyMap<string, string>,
  from: string,
  delays: ReadonlyMap<string, number>,
  place: string,
): Way {
  const { event, cond, target, type } = element.attributes;
  if (type === 'internal')
    throw new Outside(
      place,
      'An internal transition has no counterpart here',
      'Lead it to another state.',
    );
  const to = modes.get(target ?? '');
  if (to === undefined)
    throw new Outside(
      place,
      `A transition leads to “${target ?? ''}”, which is not one state of the same chart`,
      'Lead each transition to one state of its own chart.',
    );
  const after = event === undefined ? undefined : delays.get(event);
  if (event !== undefined && after === undefined)
    throw new Outside(
      place,
      `The event “${event}” is not sent with a delay when the state is entered`,
      "Write what is to happen as a condition: cond=\"press('key', 'short', 2, 0)\".",
    );
  if (cond === undefined && after === undefined)
    throw new Outside(
      place,
      'A transition has neither a condition nor a time',
      'Give it one of the two.',
    );
  const then = element.children.map((c) => actOf(c, place));
  return {
    from,
    to,
    ...(cond === undefined ? {} : { when: conditionOf(cond, place) }),
    ...(after === undefined ? {} : { after }),
    ...(then.length > 0 ? { then } : {}),
    ...(element.attributes['yurei:any'] ? { any: element.attributes['yurei:any'] } : {}),
  };
}

function conditionOf(cond: string, place: string): Transition['when'] {
  try {
    return readCondition(cond);
  } catch (error) {
    if (!(error instanceof ConditionError)) throw error;
    throw new Outside(place, error.message, 'See docs/rules.md for what a condition can be.');
  }
}

function seconds(text: string, place: string): number {
  const match = /^([\d.]+)(ms|s)$/.exec(text.trim());
  if (!match) throw new Outside(place, `“${text}” is no delay`, 'Write it as 30s or 500ms.');
  return Number(match[1]) / (match[2] === 'ms' ? 1000 : 1);
}

function actOf({ name, attributes }: Element, place: string): Act {
  if (name === 'raise') {
    const [what, sequence] = (attributes['event'] ?? '').split('.');
    if ((what === 'play' || what === 'stop') && sequence) return { do: what, sequence };
  }
  if (name === 'assign') {
    const { location = '', expr = '' } = attributes;
    const step = new RegExp(`^${location} \\+ (-?\\d+)$`).exec(expr);
    if (step) return { do: 'count', counter: location, by: Number(step[1]) };
    if (/^-?\d+$/.test(expr)) return { do: 'set', counter: location, to: Number(expr) };
  }
  const cure =
    'A transition can set or count (<assign>), and play or stop a sequence (<raise event="play.…">).';
  throw new Outside(place, `<${name}> in a transition has no counterpart here`, cure);
}

/** The same way out of every mode, as it was written, becomes one from any; ways keep the order they had. */
function fromAny(ways: readonly Way[]): Transition[] {
  const seen = new Set<string>();
  const found: { order: number; way: Transition }[] = [];
  ways.forEach(({ any, from, ...rest }, i) => {
    if (any === undefined) found.push({ order: i, way: { from, ...rest } });
    else if (!seen.has(any)) {
      seen.add(any);
      found.push({ order: Number(any) - 0.5, way: rest });
    }
  });
  return found.sort((a, b) => a.order - b.order).map(({ way }) => way);
}

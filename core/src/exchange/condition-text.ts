import jsep from 'jsep';
import type { Condition } from '../design/index.js';

/** A condition that cannot be read; the message says what in it. */
export class ConditionError extends Error {
  override readonly name = 'ConditionError';
}

type Node = jsep.Expression;

const text = (value: string): string => `'${value}'`;

/**
 * A condition as an expression of the ECMAScript data model of SCXML: `!`, `&&`, `||`, `In('chart.mode')`, and a
 * function for each of the others, such as `held(yes('north'), 0.3)`.
 */
export function writeCondition(c: Condition): string {
  const join = (of: Condition[], sign: string): string =>
    of.length === 1 ? writeCondition(of[0]) : `(${of.map(writeCondition).join(` ${sign} `)})`;
  switch (c.is) {
    case 'channel':
      return `yes(${text(c.channel)})`;
    case 'all':
      return join(c.of, '&&');
    case 'any':
      return join(c.of, '||');
    case 'not':
      return `!${writeCondition(c.of)}`;
    case 'at least':
      return `atLeast(${[c.n, ...c.of.map(writeCondition)].join(', ')})`;
    case 'for':
      return `held(${writeCondition(c.of)}, ${c.seconds})`;
    case 'begins':
    case 'ends':
      return `${c.is}(${writeCondition(c.of)})`;
    case 'then':
      return `then(${writeCondition(c.first)}, ${writeCondition(c.second)}, ${c.within})`;
    case 'press':
      return `press(${text(c.channel)}, ${text(c.press)}, ${c.long}, ${c.gap})`;
    case 'reading':
      return `reads(${text(c.channel)}, ${text(c.compare)}, ${c.counts})`;
    case 'changes':
      return `changes(${text(c.channel)}, ${c.by}, ${c.over})`;
    case 'flickers':
      return `flickers(${text(c.channel)}, ${c.from}, ${c.to}, ${c.over})`;
    case 'count':
      return `counts(${text(c.counter)}, ${text(c.compare)}, ${c.value})`;
    case 'time':
      return `between(${c.from}, ${c.to})`;
    case 'mode':
      return `In(${text(`${c.machine}.${c.mode}`)})`;
    case 'rule':
      return `active(${text(c.rule)})`;
    case 'playing':
      return `playing(${text(c.sequence)})`;
  }
}

/** @throws ConditionError for anything outside what `writeCondition` writes */
export function readCondition(expression: string): Condition {
  let node: Node;
  try {
    node = jsep(expression);
  } catch (error) {
    throw new ConditionError(`“${expression}” is no expression: ${(error as Error).message}`);
  }
  return conditionOf(node);
}

const shown = (node: Node): string =>
  node.type === 'Identifier' ? String(node['name']) : node.type;

function conditionOf(node: Node): Condition {
  if (node.type === 'UnaryExpression' && node['operator'] === '!')
    return { is: 'not', of: conditionOf(node['argument'] as Node) };
  if (node.type === 'BinaryExpression' && ['&&', '||'].includes(String(node['operator']))) {
    const sign = String(node['operator']);
    const parts = chain(node, sign);
    return { is: sign === '&&' ? 'all' : 'any', of: parts.map(conditionOf) };
  }
  if (node.type === 'CallExpression') return callOf(node as jsep.CallExpression);
  throw new ConditionError(
    `“${shown(node)}” is no condition: use !, &&, ||, In('…') and the functions that are written here`,
  );
}

/** a && b && c stands as one list, as it was written. */
function chain(node: Node, sign: string): Node[] {
  return node.type === 'BinaryExpression' && node['operator'] === sign
    ? [...chain(node['left'] as Node, sign), node['right'] as Node]
    : [node];
}

/** The arguments of a call, each taken as what it must be. */
class Arguments {
  private next = 0;
  constructor(
    private readonly name: string,
    private readonly nodes: readonly Node[],
  ) {}

  private take(what: string): Node {
    const node = this.nodes[this.next++];
    if (!node) throw new ConditionError(`${this.name}() lacks ${what}`);
    return node;
  }
  text(): string {
    const node = this.take('a name in quotes');
    if (node.type !== 'Literal' || typeof node['value'] !== 'string')
      throw new ConditionError(`${this.name}() wants a name in quotes, not ${shown(node)}`);
    return node['value'];
  }
  number(): number {
    const node = this.take('a number');
    const minus = node.type === 'UnaryExpression' && node['operator'] === '-';
    const value = ((minus ? node['argument'] : node) as Node)['value'];
    if (typeof value !== 'number')
      throw new ConditionError(`${this.name}() wants a number, not ${shown(node)}`);
    return minus ? -value : value;
  }
  condition(): Condition {
    return conditionOf(this.take('a condition'));
  }
  rest(): Condition[] {
    const rest = this.nodes.slice(this.next).map(conditionOf);
    this.next = this.nodes.length;
    return rest;
  }
  done(): void {
    if (this.next < this.nodes.length)
      throw new ConditionError(`${this.name}() has more than it needs`);
  }
}

function callOf({ callee, arguments: nodes }: jsep.CallExpression): Condition {
  const name = shown(callee);
  const make = Object.hasOwn(calls, name) ? calls[name] : undefined;
  if (!make) throw new ConditionError(`There is no function ${name}() for conditions`);
  const given = new Arguments(name, nodes);
  const condition = make(given);
  given.done();
  return condition;
}

const calls: Readonly<Record<string, (a: Arguments) => Condition>> = {
  yes: (a) => ({ is: 'channel', channel: a.text() }),
  atLeast: (a) => ({ is: 'at least', n: a.number(), of: a.rest() }),
  held: (a) => ({ is: 'for', of: a.condition(), seconds: a.number() }),
  begins: (a) => ({ is: 'begins', of: a.condition() }),
  ends: (a) => ({ is: 'ends', of: a.condition() }),
  then: (a) => ({ is: 'then', first: a.condition(), second: a.condition(), within: a.number() }),
  press: (a) => ({
    is: 'press',
    channel: a.text(),
    press: a.text() as 'short',
    long: a.number(),
    gap: a.number(),
  }),
  reads: (a) => ({
    is: 'reading',
    channel: a.text(),
    compare: a.text() as 'above',
    counts: a.number(),
  }),
  changes: (a) => ({ is: 'changes', channel: a.text(), by: a.number(), over: a.number() }),
  flickers: (a) => ({
    is: 'flickers',
    channel: a.text(),
    from: a.number(),
    to: a.number(),
    over: a.number(),
  }),
  counts: (a) => ({
    is: 'count',
    counter: a.text(),
    compare: a.text() as 'exactly',
    value: a.number(),
  }),
  between: (a) => ({ is: 'time', from: a.number(), to: a.number() }),
  In: (a) => {
    const [machine, mode, ...more] = a.text().split('.');
    if (!mode || more.length > 0)
      throw new ConditionError("In() wants a chart and a mode: In('chart.mode')");
    return { is: 'mode', machine, mode };
  },
  active: (a) => ({ is: 'rule', rule: a.text() }),
  playing: (a) => ({ is: 'playing', sequence: a.text() }),
};

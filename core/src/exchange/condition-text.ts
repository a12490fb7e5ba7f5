import jsep from 'jsep';
import {
  conditionKinds,
  fieldsOf,
  kindOfCondition,
  partsOf,
  type Condition,
  type ConditionKind,
} from '../condition/index.js';

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
export function writeCondition(condition: Condition): string {
  const { written } = kindOfCondition(condition);
  if ('call' in written) return `${written.call}(${argumentsOf(condition).join(', ')})`;
  const { sign } = written;
  const parts = partsOf(condition).map(writeCondition);
  if (sign === '!') return `!${parts.join('')}`;
  const joined = parts.join(` ${sign} `);
  return parts.length === 1 ? joined : `(${joined})`;
}

/** Fields in their order; a mode is named with its chart in one text, as `In` of SCXML takes it. */
function argumentsOf(condition: Condition): string[] {
  const fields = [...fieldsOf(condition)];
  return fields.flatMap(([, { type }, value], i) => {
    if (type === 'condition') return [writeCondition(value as Condition)];
    if (type === 'conditions') return (value as Condition[]).map(writeCondition);
    if (fields[i + 1]?.[1].type === 'mode') return [];
    if (type === 'mode') return [text(`${fields[i - 1]?.[2] as string}.${value as string}`)];
    return [typeof value === 'number' ? String(value) : text(String(value))];
  });
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
  mode(): [machine: string, mode: string] {
    const [machine, mode, ...more] = this.text().split('.');
    if (!machine || !mode || more.length > 0)
      throw new ConditionError(`${this.name}() wants a chart and a mode: In('chart.mode')`);
    return [machine, mode];
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
  const kind = conditionKinds.find(({ written }) => 'call' in written && written.call === name);
  if (!kind) throw new ConditionError(`There is no function ${name}() for conditions`);
  const given = new Arguments(name, nodes);
  const condition = { is: kind.is, ...read(kind, given) };
  given.done();
  return condition as Condition;
}

/** Values by field, taken in the order of the fields. */
function read({ fields }: ConditionKind, given: Arguments): Record<string, unknown> {
  const values: Record<string, unknown> = {};
  const all = Object.entries(fields);
  all.forEach(([name, { type }], i) => {
    const [before = ''] = all[i - 1] ?? [];
    if (type === 'condition') values[name] = given.condition();
    else if (type === 'conditions') values[name] = given.rest();
    else if (type === 'number' || type === 'time') values[name] = given.number();
    else if (type === 'mode') [values[before], values[name]] = given.mode();
    else if (all[i + 1]?.[1].type !== 'mode') values[name] = given.text();
  });
  return values;
}

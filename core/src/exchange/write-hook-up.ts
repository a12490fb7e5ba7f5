import Papa from 'papaparse';
import { kindOf } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { formatNominal, toDigits } from '../quantity/index.js';
import { hookUpList, type HookUp } from '../wiring/index.js';
import { textCell } from './csv-cell.js';

const squareMillimetres = 1e6;

/** The wires of a design as CSV (RFC 4180), a line for each: what is put where, and by which wire. */
export function writeHookUpCsv(design: Design): string {
  const data = hookUpList(design).map(({ id, from, to, colour, length, gauge }) => [
    id,
    ...[from, to].flatMap(({ part, name, terminal }) => [part, textCell(name), textCell(terminal)]),
    colour ?? '',
    length ?? '',
    gauge === undefined ? '' : Number((gauge * squareMillimetres).toPrecision(6)),
  ]);
  return `${Papa.unparse({ fields: columns, data })}\r\n`;
}

const columns = [
  'wire',
  'from part',
  'from name',
  'from terminal',
  'to part',
  'to name',
  'to terminal',
  'colour',
  'length m',
  'copper mm²',
];

/** Parts and wires of a design as Markdown tables, with a box to tick for each. */
export function writeHookUpMarkdown(design: Design): string {
  const parts = design.parts.map((part) => {
    const kind = kindOf(part);
    const values = kind.params.flatMap(({ id, label, unit, choices }) => {
      const value = part.params[id];
      return value === undefined || choices
        ? []
        : [`${label.toLowerCase()} ${formatNominal(value, unit)}`];
    });
    return ['☐', part.id, part.name, kind.label, values.join(', ')];
  });
  const wires = hookUpList(design).map((wire) => [
    '☐',
    `${wire.from.name} (${wire.from.part}) ${wire.from.terminal}`,
    `${wire.to.name} (${wire.to.part}) ${wire.to.terminal}`,
    kindOfWire(wire),
  ]);
  return [
    `# ${cell(design.title)}`,
    ...(design.purpose ? [cell(design.purpose)] : []),
    '## Parts',
    table(['', 'Part', 'Name', 'Kind', 'Values'], parts),
    '## Wires',
    table(['', 'From', 'To', 'Wire'], wires),
    notice,
    '',
  ].join('\n\n');
}

const kindOfWire = ({ colour, length, gauge }: HookUp): string =>
  [
    colour ?? '',
    length === undefined ? '' : formatNominal(length, 'm'),
    gauge === undefined ? '' : `${toDigits(gauge * squareMillimetres, 3)} mm²`,
  ]
    .filter(Boolean)
    .join(', ');

const notice =
  'A design aid: verify before relying on it. A hobby detector never replaces a certified smoke, gas or carbon-monoxide alarm; leave mains wiring to a licensed electrician and follow local codes.';

/** Text that cannot end a cell, nor be taken for markup (CommonMark 0.31, 2.4). */
const cell = (text: string): string =>
  text.replace(/[\r\n]+/g, ' ').replace(/[\\`*_{}[\]<>#|~!]/g, '\\$&');

function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const line = (cells: readonly string[]): string => `| ${cells.map(cell).join(' | ')} |`;
  return [line(head), `|${head.map(() => ' --- |').join('')}`, ...rows.map(line)].join('\n');
}

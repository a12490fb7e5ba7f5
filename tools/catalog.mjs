import { format } from 'prettier';
import { catalog, stages, surroundings, valuesOf } from '@yurei/core/catalog';
import { characteristic, hasCurve } from '@yurei/core/circuit';
import { formatNominal, formatQuantity } from '@yurei/core/quantity';
import { happeningKinds } from '@yurei/core/scene';
import { readdirSync, readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { root } from './run.mjs';
import { keepWritten } from './written.mjs';

/** Writes docs/catalog.md from the part kinds and the kinds of happening; --check only compares. */
const cell = (text) => String(text).replaceAll('|', '\\|');
const row = (...cells) => `| ${cells.map(cell).join(' | ')} |`;

const paramRow = (p) => {
  const show = (v) => p.choices?.[v] ?? formatNominal(v, p.unit);
  const range = p.choices
    ? p.choices.join(', ')
    : `${formatNominal(p.min, p.unit)} … ${formatNominal(p.max, p.unit)}`;
  const spread = p.tolerance ? `±${Number((100 * p.tolerance).toFixed(1))} %` : '';
  return row(`\`${p.id}\``, p.label, show(p.default), range, spread);
};

/** Three points of the curve, solved. */
const curveLine = (kind) => {
  const { x, y, xs, ys } = characteristic(kind, {}, 5);
  const points = [...new Set([0, Math.floor(xs.length / 2), xs.length - 1])];
  const told = points.map(
    (i) => `${formatQuantity(xs[i], x.unit)} → ${formatQuantity(ys[i], y.unit)}`,
  );
  return `Curve (${y.label.toLowerCase()} against ${x.label.toLowerCase()}): ${told.join('; ')}.`;
};

const feelsLine = ({ senses }) =>
  senses
    ? [
        `Feels: ${senses.quantities.map((q) => `${surroundings[q].label.toLowerCase()} (\`${q}\`)`).join(', ')}.`,
      ]
    : [];

const section = (kind) => [
  `### ${kind.label}`,
  '',
  `\`${kind.kind}\`: ${kind.summary}`,
  '',
  `Terminals: ${kind.terminals.map((t) => `${t.label} (\`${t.id}\`)`).join(', ')}. Price ${kind.price}.`,
  ...feelsLine(kind),
  hasCurve(kind) ? curveLine(kind) : 'No curve: nothing beyond the boundary to mains is computed.',
  ...(kind.inside
    ? [
        `Inside: ${kind.inside
          .parts(defaults(kind))
          .map((p) => `${p.name.toLowerCase()}`)
          .join(', ')}.`,
      ]
    : []),
  '',
  row('parameter', 'what', 'usual', 'possible', 'spread'),
  row('---', '---', '---', '---', '---'),
  ...kind.params.map(paramRow),
  '',
  ...(kind.phases ?? []).map(
    (p) => `- Draws ${formatQuantity(p.amps(defaults(kind)), 'A')}: ${p.label}.`,
  ),
  ...kind.notes.map((n) => `- ${n}`),
  ...kind.cautions.map((c) => `- **Caution.** ${c}`),
  '',
  `Source: ${kind.source}`,
  '',
];

const defaults = (kind) => valuesOf(kind.params, {});

const happening = (kind) => [
  `### ${kind.label}`,
  '',
  `\`${kind.kind}\`: ${kind.summary}`,
  '',
  row('parameter', 'what', 'usual', 'possible', 'spread'),
  row('---', '---', '---', '---', '---'),
  ...kind.params.map(paramRow),
  '',
  ...(kind.cautions ?? []).map((c) => `- **Caution.** ${c}`),
  '',
  `Source: ${kind.source}`,
  '',
];

const text = await format(
  [
    '# Catalogue',
    '',
    `Written by \`npm run catalog\` from the files in core/src/catalog/kinds and core/src/scene/happenings: ${catalog.length} kinds of part, ${happeningKinds.length} kinds of happening. Values marked “from memory” have no published source; “common practice” is the trade’s.`,
    '',
    ...stages.flatMap((stage) => [
      `## What ${stage}`,
      '',
      ...catalog.filter((k) => k.stage === stage).flatMap(section),
    ]),
    '## What can happen',
    '',
    ...happeningKinds.flatMap(happening),
  ].join('\n'),
  { parser: 'markdown' },
);

keepWritten('docs/catalog.md', text, 'npm run catalog');

// The README says how many there are.
const demos = readdirSync(resolve(root, 'demo')).length;
const readme = readFileSync(resolve(root, 'README.md'), 'utf8')
  .replace(
    /\d+ kinds of part and \d+ kinds of things/,
    `${catalog.length} kinds of part and ${happeningKinds.length} kinds of things`,
  )
  .replace(/\d+ circuits of a small boathouse/, `${demos} circuits of a small boathouse`);
keepWritten('README.md', readme, 'npm run catalog');

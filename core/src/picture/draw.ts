import type { Design } from '../design/index.js';
import type { Oscillation, Snapshot } from '../rehearsal/index.js';
import { firstLine, inset, lineStep } from './card-size.js';
import { foldsOf } from './folds.js';
import { pictureGraph } from './graph.js';
import { layOutPicture, type LayOutBoxes, type PictureLayout } from './lay-out.js';
import {
  cardView,
  lineView,
  type CardView,
  type FlagView,
  type LineView,
  type TabView,
} from './views.js';

/** Ink on paper, by day. */
const inks = {
  paper: '#f7f3ea',
  raised: '#fffdf7',
  ink: '#20242b',
  soft: '#5b6270',
  rule: '#ddd5c4',
  lantern: '#d9482b',
  lanternInk: '#b5361c',
  lanternWash: '#fdeee6',
  amber: '#c98a12',
  supply: '#7a3b2e',
};
const fonts = {
  text: "'Atkinson Hyperlegible', sans-serif",
  mono: "'IBM Plex Mono', monospace",
};
/** Room around what is drawn, px. */
const margin = 16;

const looks = `
text { font: 12px ${fonts.text}; fill: ${inks.ink}; }
.column { font-size: 13px; fill: ${inks.soft}; letter-spacing: 0.04em; }
.rule { stroke: ${inks.rule}; }
.plate { fill: ${inks.raised}; stroke: ${inks.rule}; }
.behind { fill: ${inks.paper}; stroke: ${inks.rule}; }
.boundary .plate { stroke-dasharray: 5 3; }
.grouped .plate { stroke: ${inks.soft}; stroke-width: 1.6; }
.troubled .plate { stroke: ${inks.amber}; stroke-dasharray: 4 3; }
.acting .plate { fill: ${inks.lanternWash}; stroke: ${inks.lantern}; }
.glyph { fill: none; stroke: ${inks.soft}; stroke-width: 1.7; }
.name { font-size: 13px; font-weight: 700; }
.id { font-family: ${fonts.text}; font-weight: 700; fill: ${inks.soft}; }
.headline, .volts, .counts, .tab, .flag { font-family: ${fonts.mono}; }
.live { fill: ${inks.soft}; }
.acting .live { fill: ${inks.lanternInk}; font-weight: 700; }
.times { font-weight: 700; text-anchor: end; }
.line { fill: none; stroke: ${inks.soft}; }
.insulation { stroke: ${inks.soft}; stroke-width: 0.7; }
.label-back { fill: ${inks.paper}; opacity: 0.88; }
.volts { font-weight: 600; text-anchor: middle; }
.counts { font-size: 11.5px; fill: ${inks.soft}; text-anchor: middle; }
.pad { fill: ${inks.ink}; }
.loose { fill: ${inks.paper}; stroke: ${inks.ink}; }
.tab { font-size: 11px; }
.banner { fill: ${inks.supply}; }
.flag { font-size: 11px; fill: ${inks.paper}; }
.ground { fill: none; stroke: ${inks.ink}; stroke-width: 1.2; }
`;

/** The solved circuit that is drawn. */
export interface Drawn {
  design: Design;
  snapshot: Snapshot;
  oscillations?: Readonly<Record<string, Oscillation>>;
}

/**
 * The picture of a circuit as an SVG file: cards, wires and values where the screen has them.
 *
 * @param boxes gives boxes and lines their places
 * @param faces rules `@font-face` that bring the fonts along
 */
export async function drawPicture(drawn: Drawn, boxes: LayOutBoxes, faces = ''): Promise<string> {
  const { design, snapshot, oscillations = {} } = drawn;
  const graph = pictureGraph(design, new Set(), foldsOf(design, false));
  const { layout } = await layOutPicture(graph, boxes);
  const refuse = new Map<string, string>();
  const lines = layout.lines.map((line) =>
    lineView(line, { design, snapshot, show: 'volts', oscillations }),
  );
  const cards = graph.cards.flatMap((card) => {
    const placed = layout.cards.get(card.id);
    return placed ? [cardView(card, placed, { design, snapshot, refuse })] : [];
  });
  const [width, height] = [layout.width, layout.height].map((n) => Math.ceil(n + 2 * margin));
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${-margin} ${-margin} ${width} ${height}">`,
    `<title>${escaped(design.title)}</title>`,
    `<style>${faces}${looks}</style>`,
    `<rect x="${-margin}" y="${-margin}" width="${width}" height="${height}" fill="${inks.paper}"/>`,
    ...headings(layout),
    ...lines.map(wire),
    ...cards.map(cardOf),
    '</svg>',
    '',
  ].join('\n');
}

function headings({ columns, feeds, width }: PictureLayout): string[] {
  return [
    ...columns.map(({ stage, x }) => text('column', x, 16, stage)),
    `<path class="rule" d="M14 24H${width - 14}"/>`,
    ...(feeds
      ? [
          text('column', feeds.x, feeds.y, 'feeds'),
          `<path class="rule" d="M${feeds.x} ${feeds.y + 7}h${feeds.width}"/>`,
        ]
      : []),
  ];
}

function wire({ path, thickness, colour, grip, label, value, counts, title }: LineView): string {
  return [
    `<g><title>${escaped(title)}</title>`,
    `<path class="line" d="${path}" stroke-width="${thickness}"/>`,
    colour
      ? `<circle class="insulation" r="3.4" cx="${grip.x}" cy="${grip.y}" fill="${escaped(colour)}"/>`
      : '',
    ...(label && value
      ? [
          `<rect class="label-back" x="${label.x - 24}" y="${label.y - 12}" width="48" height="${counts ? 28 : 14.5}"/>`,
          text('volts', label.x, label.y - 1.5, value),
          counts ? text('counts', label.x, label.y + 12, counts) : '',
        ]
      : []),
    '</g>',
  ].join('');
}

function cardOf(card: CardView): string {
  const { x, y, width, height } = card;
  const states = (['acting', 'troubled', 'boundary'] as const).filter((state) => card[state]);
  const plate = `width="${width}" height="${height}" rx="5"`;
  return [
    `<g class="${[...states, ...(card.group ? ['grouped'] : [])].join(' ')}" transform="translate(${x} ${y})">`,
    `<title>${escaped(card.title)}</title>`,
    card.times ? `<rect class="behind" x="5" y="5" ${plate}/>` : '',
    `<rect class="plate" ${plate}/>`,
    `<path class="glyph" d="${card.glyph}" transform="translate(${width - 23} 4) scale(0.72)"/>`,
    ...card.nameLines.map((line, i) => text('name', inset, firstLine + lineStep * i, line)),
    headline(card),
    text('live', inset, card.liveY, card.live),
    card.times ? text('times', width, -4, card.times) : '',
    ...card.flags.map(flag),
    ...card.tabs.map(tab),
    '</g>',
  ].join('');
}

const headline = ({ id, group, headline: says, headlineY }: CardView): string =>
  `<text class="headline" x="${inset}" y="${headlineY}">${group ? '' : `<tspan class="id">${escaped(id)}</tspan>`}<tspan dx="${group ? 0 : 5}">${escaped(says)}</tspan></text>`;

function flag({ x, y, width, nature, text: says }: FlagView): string {
  const at = `transform="translate(${x} ${y})"`;
  return nature === 'ground'
    ? `<path class="ground" ${at} d="M0 0V5M-7 5H7M-4.5 8H4.5M-2 11H2"/>`
    : `<g ${at}><path class="banner" d="M0 -1V-16H${width}l6 7.5l-6 7.5Z"/>${text('flag', 4, -4.5, says)}</g>`;
}

function tab({ x, y, side, loose, showLabel, label }: TabView): string {
  const west = side === 'west';
  const pad = `<rect class="${loose ? 'loose' : 'pad'}" x="${x - 3.5}" y="${y - 4.5}" width="7" height="9" rx="1.5"/>`;
  const name = `<text class="tab" x="${west ? x + 8 : x - 8}" y="${y + 4}" text-anchor="${west ? 'start' : 'end'}">${escaped(label)}</text>`;
  return showLabel ? pad + name : pad;
}

const text = (look: string, x: number, y: number, says: string): string =>
  says ? `<text class="${look}" x="${x}" y="${y}">${escaped(says)}</text>` : '';

const named: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
};
/** Text as it may stand in XML, without the control characters that may not. */
const escaped = (says: string): string =>
  says
    // eslint-disable-next-line no-control-regex
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/[&<>"]/g, (sign) => named[sign] ?? sign);

import { kindOf, paramsOf, surroundings } from '../catalog/index.js';
import type { Part } from '../design/index.js';
import { shorten, textWidth, valueWidth, wrap } from './text-width.js';

/**
 * Sizes of letters in the picture, px; picture.css sets the same. At a scale of 1, to which pictures are fitted at least, none is
 * smaller than 11.
 */
export const letters = { name: 13, value: 12, live: 12, tab: 11 };
/** From one line of text to the next. */
export const lineStep = 15;
/** From one tab to the next. */
export const tabPitch = 19;
/** From a card's edge to its text. */
export const inset = 9;
/** A flag of a supply: its body, from one to the next, and how high a row of them stands. */
export const flagSize = { width: 50, step: 60, row: 17 };
/** How far a ground sign hangs below its card. */
export const groundDrop = 13;
/** Room for the glyph beside the first line of a name. */
const glyphRoom = 22;
/** A name is broken where it would make its card wider than this, and what is left after two lines is cut. */
const nameRoom = 104;
const headlineRoom = 150;
/** Base line of a name's first line. */
export const firstLine = 17;

/** What a card is made of, as far as its size depends on it. */
export interface CardContent {
  name: string;
  /** Empty for a group. */
  id: string;
  headline: string;
  /** The longest that its present state is likely to read. */
  live: string;
  /** Tabs on each side; labels only where they are shown. */
  west: readonly string[];
  east: readonly string[];
  labelled: boolean;
  supplies: number;
  /** What stands beside its present state, as "16 free pins". */
  more: string;
}

/** A card's measures and broken name, px from its upper left corner. */
export interface CardSize {
  width: number;
  height: number;
  nameLines: string[];
  headlineY: number;
  liveY: number;
  /** Where the first tab stands on a labelled card. */
  tabTop: number;
  /** How many supply flags stand beside each other. */
  flagsPerRow: number;
}

const nameWidth = (text: string): number => textWidth(text, letters.name, 'bold');

/** As wide as its text, as high as its lines and tabs. */
export function cardSize(content: CardContent): CardSize {
  const { name, labelled, west, east, supplies } = content;
  const nameLines = wrap(name, nameRoom, 2, nameWidth);
  const tabLabels = labelled ? widest(west) + widest(east) + 26 : 0;
  const live = textWidth(content.live, letters.live, 'regular');
  const more = content.more ? textWidth(content.more, letters.live, 'regular') + 12 : 0;
  const texts = [
    ...nameLines.map((line, i) => nameWidth(line) + (i === 0 ? glyphRoom : 0)),
    Math.min(headlineWidth(content), headlineRoom),
    live + more,
    tabLabels,
  ];
  const flags = Math.min(supplies, 2) * flagSize.step - 4;
  const width = Math.ceil(Math.max(Math.max(...texts) + 2 * inset, flags));
  const headlineY = firstLine + nameLines.length * lineStep;
  const liveY = headlineY + lineStep;
  const tabTop = liveY + 16;
  const rows = Math.max(west.length, east.length);
  const text = liveY + 8;
  const height = labelled
    ? Math.max(text, tabTop + (rows - 1) * tabPitch + 11)
    : Math.max(text, rows * tabPitch + 8);
  const flagsPerRow = Math.max(1, Math.floor((width + 4) / flagSize.step));
  return { width, height, nameLines, headlineY, liveY, tabTop, flagsPerRow };
}

/** How wide the second line of a card is: its id, then its value. */
const headlineWidth = ({ id, headline }: Pick<CardContent, 'id' | 'headline'>): number =>
  idWidth(id) + valueWidth(headline, letters.value);

const idWidth = (id: string): number => (id ? textWidth(id, letters.value, 'bold') + 5 : 0);

/** A value cut to the card it stands on: the card keeps its size when a value gets longer. */
export const fitHeadline = (headline: string, id: string, card: number): string =>
  shorten(headline, card - 2 * inset - idWidth(id) + 1, (t) => valueWidth(t, letters.value));

const widest = (labels: readonly string[]): number =>
  Math.max(0, ...labels.map((label) => valueWidth(label, letters.tab)));

/** The longest that a part's present state is likely to read. */
export function longestLive(part: Part): string {
  const kind = kindOf(part);
  const [felt] = kind.senses?.quantities ?? [];
  if (felt && kind.stage === 'feels') return `feels 88.8 m${surroundings[felt].unit}`;
  if (kind.acts) return `not ${kind.acts.word}`;
  return kind.stage === 'feeds' ? 'delivers 888 mW' : '888 mW';
}

/** A part's value as its card shows it. */
export const headlineOf = (part: Part): string => kindOf(part).headline(paramsOf(part));

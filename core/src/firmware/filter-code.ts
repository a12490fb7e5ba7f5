import {
  and,
  as,
  bool,
  call,
  choice,
  item,
  name,
  real,
  set,
  signs,
  when,
  whole,
  type Declaration,
  type Expression,
  type Statement,
  type Type,
} from '../code/index.js';
import type { ChannelParts } from './channel-parts.js';

const one = whole(1);

/** What is done with a reading, and what then stands for it. */
interface Filtered {
  does: Statement[];
  value: Expression;
  /** It is so many times what it stands for: whole numbers, where the chip would be slow with others. */
  times?: Expression;
}

/** Takes a reading into the filter of a channel. */
export function filterCode(parts: ChannelParts, read: Expression): Filtered {
  const { filter } = parts.channel;
  if (!filter || filter.n <= 1) return { does: [], value: read };
  const n = parts.setting(
    'Smooths',
    filter.n,
    `readings, their ${filter.by === 'exponential' ? 'running average' : filter.by}`,
  );
  if (filter.by === 'exponential') return average(parts, read, n);
  const window = parts.made('Window');
  parts.holds.push({ declares: 'list', name: window, type: parts.own.counts, length: filter.n });
  const place = parts.remembers('Place', 'int');
  const many = parts.remembers('Many', 'int');
  const does: Statement[] = [
    set(item(window, place), read),
    set(place, signs('%', signs('+', place, one), n)),
    ...when(signs('<', many, n), [set(many, signs('+', many, one))]),
  ];
  return filter.by === 'mean' ? mean(parts, does, window, many) : median(parts, does, window, many);
}

function average(parts: ChannelParts, read: Expression, n: Expression): Filtered {
  const value = parts.isNumber ? parts.own.value : parts.remembers('Average', 'real');
  const begun = parts.isNumber ? parts.own.isRead : parts.remembers('Begun', 'bool');
  const moved = signs('+', value, signs('/', signs('-', read, value), as('real', n)));
  const does = [
    set(value, choice(begun, moved, as('real', read))),
    ...(parts.isNumber ? [] : [set(begun, bool(true))]),
  ];
  return { does, value };
}

function mean(parts: ChannelParts, does: Statement[], window: string, many: Expression): Filtered {
  const [sum, mean] = [parts.made('Sum'), parts.made('Mean')];
  const value = signs('/', as('real', name(sum)), as('real', many));
  const sums = comparesWhole(parts);
  return {
    does: [
      ...does,
      { do: 'let', name: sum, type: 'long', value: whole(0, 'long'), changes: true },
      {
        do: 'count',
        name: 'i',
        below: many,
        body: [set(sum, signs('+', name(sum), item(window, name('i'))))],
      },
      ...(sums ? [] : [{ do: 'let', name: mean, type: 'real', value } as const]),
    ],
    ...(sums ? { value: name(sum), times: many } : { value: name(mean) }),
  };
}

/** Only whole numbers are compared with it: then its sum is compared with as many times those. */
function comparesWhole({ channel, isNumber }: ChannelParts): boolean {
  const { threshold, hysteresis, baseline } = channel;
  const from = baseline?.kind === 'fixed' ? baseline.counts : 0;
  return (
    !isNumber &&
    baseline?.kind !== 'learnt' &&
    [threshold, hysteresis, from].every(Number.isInteger)
  );
}

function median(
  parts: ChannelParts,
  does: Statement[],
  window: string,
  many: Expression,
): Filtered {
  const ranked = parts.made('Ranked');
  parts.functions.push(rankFunction(ranked, window, many, parts.own.counts));
  const [half, median] = [parts.made('Half'), parts.made('Median')];
  const at = (place: Expression): Expression => as('real', call(ranked, place));
  const between = signs('/', signs('+', at(signs('-', name(half), one)), at(name(half))), real(2));
  const odd = signs('==', signs('%', many, whole(2)), one);
  return {
    does: [
      ...does,
      {
        do: 'let',
        name: half,
        type: 'int',
        value: as('int', signs('/', as('real', many), real(2))),
      },
      { do: 'let', name: median, type: 'real', value: choice(odd, at(name(half)), between) },
    ],
    value: name(median),
  };
}

/** The reading at a place among those of a window, the smallest first. */
function rankFunction(called: string, window: string, many: Expression, gives: Type): Declaration {
  const [below, same] = [name('below'), name('same')];
  const [mine, other] = [item(window, name('i')), item(window, name('j'))];
  return {
    declares: 'function',
    ...{ name: called, gives },
    takes: [{ name: 'place', type: 'int' }],
    body: [
      {
        do: 'count',
        name: 'i',
        below: many,
        body: [
          { do: 'let', name: 'below', type: 'int', value: whole(0), changes: true },
          { do: 'let', name: 'same', type: 'int', value: whole(0), changes: true },
          {
            do: 'count',
            name: 'j',
            below: many,
            body: [
              ...when(signs('<', other, mine), [set(below, signs('+', below, one))]),
              ...when(signs('==', other, mine), [set(same, signs('+', same, one))]),
            ],
          },
          ...when(
            and(
              signs('<=', below, name('place')),
              signs('<', name('place'), signs('+', below, same)),
            ),
            [{ do: 'return', value: mine }],
          ),
        ],
      },
      { do: 'return', value: whole(0) },
    ],
    note: 'The reading at a place in order of size.',
  };
}

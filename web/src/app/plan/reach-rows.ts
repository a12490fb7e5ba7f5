import { nameOf, type Design } from '@yurei/core/design';
import {
  beamPairs,
  crossingBeams,
  heardAt,
  quietEnough,
  radioReach,
  radioWays,
  sunGlare,
  wantedMargin,
  wantedOver,
} from '@yurei/core/plan';
import { decimals, formatQuantity } from '@yurei/core/quantity';

/** A row of a table of what arrives somewhere. */
export interface ReachRow {
  from: string;
  to: string;
  far: string;
  says: string;
  good: boolean;
}

const metres = (m: number): string => formatQuantity(m, 'm');
const decibels = (value: number): string => `${decimals(value, 0)} dB`;
const behind = (lost: number, of = 'walls'): string =>
  lost > 0 ? `, ${decimals(lost, lost < 10 ? 1 : 0)} dB of it in ${of}` : '';

/** What is heard of each sounder at each spot. */
export const heardRows = (design: Design): ReachRow[] =>
  pairs(design, (part, spot) => {
    const heard = heardAt(design, part, spot);
    if (!heard) return undefined;
    const { distance, level, over, walls } = heard;
    const loud = over >= wantedOver;
    const meaning = loud
      ? 'heard over all else'
      : over > 0
        ? 'faintly heard'
        : 'lost in what is heard besides';
    const disturbs = level > quietEnough ? `; above the ${quietEnough} dB(A) of a quiet night` : '';
    return {
      far: metres(distance),
      says: `${decibels(level)}(A), ${decibels(Math.abs(over))} ${over < 0 ? 'below' : 'over'} what is there${behind(walls)}: ${meaning}${disturbs}`,
      good: loud,
    };
  });

/** What arrives of each radio part's signal at each spot. */
export const radioRows = (design: Design): ReachRow[] =>
  pairs(design, (part, spot) => {
    const reach = radioReach(design, part, spot);
    if (!reach) return undefined;
    const { distance, free, walls, leaves, margin, fresnel } = reach;
    const way = radioWays(design, spot).get(part.id);
    const by = (way?.through ?? []).slice(1).map((id) => nameOf(design.parts, id));
    const meaning =
      margin >= wantedMargin
        ? 'arrives'
        : way
          ? `arrives by ${by.join(' and ')}, ${decibels(way.margin)} of margin on the weakest leg`
          : margin > 0
            ? `arrives when nothing stands between; ${wantedMargin} dB are wanted`
            : 'does not arrive';
    return {
      far: metres(distance),
      says: `${decibels(margin)} of margin after ${decibels(free + walls + leaves)} lost${behind(walls)}${behind(leaves, 'leaves')}: ${meaning}; half-way ${metres(fresnel)} around the line of sight should be free`,
      good: way !== undefined,
    };
  });

function pairs(
  design: Design,
  says: (
    part: Design['parts'][number],
    spot: NonNullable<Design['plan']['spots']>[number],
  ) => Pick<ReachRow, 'far' | 'says' | 'good'> | undefined,
): ReachRow[] {
  return design.parts.flatMap((part) =>
    (design.plan.spots ?? []).flatMap((spot) => {
      const said = says(part, spot);
      return said ? [{ from: part.name, to: spot.name, ...said }] : [];
    }),
  );
}

/** When the sun stands in what a sensor sees. */
export interface SunRow {
  sensor: string;
  hours: string;
  worst: string;
}

const months = [
  ...['January', 'February', 'March', 'April', 'May', 'June', 'July'],
  ...['August', 'September', 'October', 'November', 'December'],
] as const;

const clock = (hour: number): string => {
  const minutes = Math.round(hour * 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
};

export const sunRows = (design: Design, latitude: number): SunRow[] =>
  design.parts.flatMap((part) => {
    const glare = sunGlare(design, part, latitude);
    if (!glare) return [];
    const { hours, months: each, worst } = glare;
    return [
      {
        sensor: part.name,
        hours: hours > 0 ? `${decimals(hours, 0)} h a year` : 'never',
        worst: worst
          ? `${decimals(each[worst.month] ?? 0, 0)} h in ${months[worst.month]}, from ${clock(worst.from)} to ${clock(worst.to)}`
          : '–',
      },
    ];
  });

/** What two beams beside each other can tell. */
export const beamRows = (design: Design): { beams: string; apart: string; says: string }[] =>
  beamPairs(design).map(({ first, second, apart, fastest, gap }) => ({
    beams: `${first} and ${second}`,
    apart: metres(apart),
    says: `which way one goes up to ${formatQuantity(fastest, 'm/s')}; two who follow at walking pace with less than ${metres(gap)} between them are taken for one`,
  }));

/** What beams that cross tell of where someone is; nothing where none do. */
export function crossingSaid(design: Design): string {
  const found = crossingBeams(design);
  if (!found) return '';
  const { crossings, apart, alike } = found;
  const places =
    crossings.length === 1
      ? 'One place, where both are broken'
      : `${crossings.length} places, each at most ${metres(apart ?? 0)} from the next`;
  const [first] = alike;
  if (!first) return `${places}.`;
  const at = (two: readonly { at: { x: number; y: number } }[]): string =>
    two.map(({ at: { x, y } }) => `${metres(x)}, ${metres(y)}`).join(' and ');
  const more = alike.length > 1 ? `, and ${alike.length - 1} more such pairs` : '';
  return `${places}. Two people at ${at(first.people)} look like two at ${at(first.ghosts)}${more}.`;
}

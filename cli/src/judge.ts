import { parseReadingSets } from '@yurei/core/exchange';
import {
  bestLine,
  enoughForRate,
  errorsAt,
  falseTriggers,
  hysteresisFor,
  noiseOf,
  readingsFor,
  rocArea,
  sayErrors,
  sayRate,
  type Readings,
} from '@yurei/core/judge';
import { BadInput } from './bad-input.js';
import { loadText } from './load-design.js';
import { quantity } from './parse-options.js';
import type { Report } from './report.js';
import { table } from './table.js';

/** What `yurei judge` is asked, as typed. */
export interface JudgeOptions {
  trips?: string;
  line?: string;
  costMiss?: string;
  costFalse?: string;
  every?: string;
  hits?: string;
}

const perDay = 86400;
/** Larger files of readings are not read, bytes. */
const largestLog = 200e6;

/** Both errors of a line on labelled readings, how sure they are, and what noise alone would trigger. */
export async function judgeFile(file: string, options: JudgeOptions): Promise<Report> {
  const sets = await loadSets(file);
  const { trips = 'above' } = options;
  if (trips !== 'above' && trips !== 'below')
    throw new BadInput(`--trips ${trips}: write above or below.`);
  const costs = {
    miss: positive(options.costMiss ?? '1', '--cost-miss'),
    false: positive(options.costFalse ?? '1', '--cost-false'),
  };
  const every = quantity(options.every ?? '10ms', 's', '--every');
  if (!(every > 0)) throw new BadInput(`--every ${options.every}: give a time above 0.`);
  const hits = positive(options.hits ?? '1', '--hits');
  if (!Number.isInteger(hits)) throw new BadInput(`--hits ${options.hits}: give a whole number.`);
  const line = options.line === undefined ? undefined : number(options.line, '--line');
  const judged =
    line === undefined ? bestLine(sets, trips, costs) : errorsAt(sets, trips, line, costs);
  const channel = { trips, threshold: judged.line, hits, every } as const;
  const noises = sets
    .filter((s) => s.intent === 'quiet' && s.counts.length > 1)
    .map((s) => {
      const noise = noiseOf(s.counts);
      return { name: s.name, noise, perDay: perDay * falseTriggers(noise, channel) };
    });
  const area = rocArea(sets, trips);
  const { misses, falses } = judged;
  const rows = noises.map(({ name, noise, perDay: rate }) => [
    name,
    `${noise.mean.toFixed(1)} ± ${noise.sd.toFixed(1)} counts`,
    `correlation ${noise.correlation.toFixed(2)}`,
    `hysteresis ${hysteresisFor(noise)}`,
    noise.readings < enoughForRate
      ? `too few readings to tell how often it fires: ${enoughForRate} at least`
      : `fires by noise alone ${sayRate(rate)}`,
  ]);
  const text = [
    `${line === undefined ? 'Best line' : 'Line'}: ${trips} ${judged.line} counts`,
    `Misses: ${sayErrors(misses.events, misses.tries)}`,
    `Fires on others: ${sayErrors(falses.events, falses.tries)}`,
    area === undefined
      ? 'Wanted and other readings are both needed to tell how well they can be told apart.'
      : `A wanted reading lies beyond another one in ${(100 * area).toFixed(1)} % of pairs.`,
    `Bounds are 95 % sure; ${readingsFor(0.05)} readings of a kind without an error make it 5 % at most.`,
    ...(rows.length > 0
      ? [`\nNoise, taken as normal, ${hits} in a row every ${every} s`, table(rows)]
      : []),
  ].join('\n');
  const json = {
    ...judged,
    trips,
    area,
    noises,
    sets: sets.map(({ name, intent }) => ({ name, intent })),
  };
  return { text, json, exitCode: 0 };
}

async function loadSets(file: string): Promise<Readings[]> {
  const text = await loadText(file, largestLog);
  const result = parseReadingSets(text);
  if (!result.ok) throw new BadInput(`${file}: ${result.reason}. ${result.cure}`);
  return result.sets;
}

function number(text: string, option: string): number {
  const value = text.trim() === '' ? NaN : Number(text);
  if (!Number.isFinite(value)) throw new BadInput(`${option} ${text}: give a number.`);
  return value;
}

function positive(text: string, option: string): number {
  const value = number(text, option);
  if (value <= 0) throw new BadInput(`${option} ${text}: give a number above 0.`);
  return value;
}

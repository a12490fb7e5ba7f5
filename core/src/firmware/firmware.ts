import type { Written } from '../code/index.js';
import type { Design } from '../design/index.js';
import type { Board } from './board.js';
import { offTones } from './chop-lacks.js';
import { compose, type Composed } from './compose.js';
import { flashOf } from './flash.js';
import { UnknownName, type Frame } from './frame.js';
import { boardIn, plainLacks, type Lack } from './lacks.js';
import { passTime, type PassTime } from './pace.js';
import { ramOf } from './memory.js';

/** The program of a design on a board. */
export interface Firmware {
  written: Written;
  /** Bytes of RAM that its variables and texts take, of those there are for them. */
  ram?: { takes: number; has: number };
  /** The same of flash, reckoned. */
  flash?: { takes: number; has: number };
  /** Reckoned, not measured. */
  pass?: PassTime;
  /** What it does otherwise than one may think, with what helps. */
  remarks: readonly Lack[];
  /** What it calls the things of the design: to look into it as it runs. */
  names: {
    channels: ReadonlyMap<string, string>;
    modes: ReadonlyMap<string, { variable: string; modes: ReadonlyMap<string, string> }>;
    counters: ReadonlyMap<string, string>;
    rules: ReadonlyMap<string, string>;
    /** Whether it has a variable `clockStart`. */
    asksClock: boolean;
  };
}

/** Why no program is written. */
export interface Refused {
  lacks: readonly Lack[];
}

/**
 * Writes the program that does on a board what docs/rules.md says the design does, or says why it could not.
 *
 * @param quiet whether it is to leave out all that it says over its serial line
 */
export function firmwareOf(design: Design, board: Board, quiet = false): Firmware | Refused {
  const lacks = plainLacks(design, board);
  if (lacks.length > 0) return { lacks };
  const composed = composedOf(design, board, quiet);
  if ('lacks' in composed) return composed;
  const { frame, sections } = composed;
  const { memory } = board;
  const ram = memory && { takes: ramOf(sections, memory), has: memory.ram - memory.others };
  const flash = memory && { takes: flashOf(sections, memory), has: memory.flash.has };
  if (ram && ram.takes > ram.has) return { lacks: [tooLarge(ram)] };
  if (flash && flash.takes > flash.has) return { lacks: [tooLong(flash)] };
  const pass = passTime(sections, board);
  return {
    ...(ram ? { ram } : {}),
    ...(flash ? { flash } : {}),
    ...(pass ? { pass } : {}),
    written: board.write(sections),
    remarks: remarksOf(design, board, frame),
    names: namesIn(frame),
  };
}

/** Its sections; why not, where something names what the design does not have. */
function composedOf(design: Design, board: Board, quiet: boolean): Composed | Refused {
  const silent = quiet && !board.sends && design.controller.code?.event === undefined;
  try {
    return compose(silent ? { ...design, notices: [] } : design, board, quiet);
  } catch (error) {
    if (!(error instanceof UnknownName)) throw error;
    const cure = 'Set what names it anew, in Act.';
    return { lacks: [{ place: 'program', reason: error.message, cure }] };
  }
}

const remarksOf = (design: Design, board: Board, frame: Frame): Lack[] => [
  ...(design.rules.length + design.machines.length + design.sequences.length === 0
    ? [withoutRules]
    : []),
  ...(frame.wantsClock && !board.knowsTime ? [board.network ? timeAsked : withoutTime] : []),
  ...(board.sends && design.notices.length > 0 ? [sentByRadio] : []),
  ...(design.controller.sleep ? restOf(board.rests(design.channels.some((c) => c.edge))) : []),
  ...(design.controller.code ? [withOwn] : []),
  ...offTones(design, boardIn(design, board)).map(({ says }) => says),
];

/** Everything of a design that its program on a board could not do: then none is written. */
export function lacksOf(design: Design, board: Board): readonly Lack[] {
  const found = firmwareOf(design, board);
  return 'lacks' in found ? found.lacks : [];
}

/**
 * The program, where it can be written.
 *
 * @throws RangeError where the board cannot do it: see `lacksOf`
 */
export function writeFirmware(design: Design, board: Board, quiet = false): Firmware {
  const found = firmwareOf(design, board, quiet);
  if (!('lacks' in found)) return found;
  throw new RangeError(
    found.lacks.map((lack) => `${lack.place}: ${lack.reason}. ${lack.cure}`).join('\n'),
  );
}

const tooLarge = ({ takes, has }: { takes: number; has: number }): Lack => ({
  place: 'memory',
  reason: `Its variables and texts take ${takes} bytes of RAM; the chip has ${has} for them`,
  cure: 'Let conditions look back over shorter times, smooth over fewer readings, build it quiet, or take a larger board.',
});

const tooLong = ({ takes, has }: { takes: number; has: number }): Lack => ({
  place: 'memory',
  reason: `It takes about ${takes} bytes of flash; the chip has ${has}`,
  cure: 'Take out rules or channels, build it quiet, or take a larger board.',
});

const restOf = (rests: ReturnType<Board['rests']>): Lack[] =>
  rests === 'asleep' ? [] : [rests === 'idle' ? idles : withoutSaving];

const withoutRules: Lack = {
  place: 'rules',
  reason: 'The design has none: this program only reads and tells what it reads',
  cure: 'Say in Act what is to be done when.',
};
const idles: Lack = {
  place: 'sleep',
  reason:
    'Asleep this program idles, so that its clock runs on: the chip draws about a third of what it does awake',
  cure: 'How long a battery lasts is told for a controller that sleeps: reckon with that current.',
};
const withoutSaving: Lack = {
  place: 'sleep',
  reason:
    'This program reads and decides as rehearsed, but only waits meanwhile: the board draws as much as awake',
  cure: 'How long a battery lasts is told for a board that sleeps: reckon with its current awake.',
};
const withOwn: Lack = {
  place: 'your own code',
  reason:
    'No rehearsal knows it, and no proof runs it: neither its time nor its memory is reckoned with',
  cure: 'Let it be short, wait for nothing, and leave the variables of the design as they are.',
};
const timeAsked: Lack = {
  place: 'time of day',
  reason:
    'The board does not know it: it takes the moment it gets power for midnight until it has asked the network',
  cure: 'Fill in the file of passwords, or write the time at which it gets power into clockStart.',
};
const sentByRadio: Lack = {
  place: 'notices',
  reason:
    'They are sent by MQTT once the file of passwords is filled in, whose example the project has',
  cure: 'Until then they are only lines on the serial line.',
};
const withoutTime: Lack = {
  place: 'time of day',
  reason: 'The board does not know it: it takes the moment it gets power for midnight',
  cure: 'Write the time at which it gets power into clockStart, or tell it the time by a clock of its own.',
};

function namesIn(frame: Frame): Firmware['names'] {
  const { design } = frame;
  const by = <T>(list: readonly { id: string }[], of: (id: string) => T): Map<string, T> =>
    new Map(list.map(({ id }) => [id, of(id)]));
  return {
    channels: by(design.channels, (id) => {
      const { answers } = frame.channel(id);
      return answers.is === 'name' ? answers.name : '';
    }),
    modes: by(design.machines, (id) => {
      const { mode, modes } = frame.chart(id);
      return { variable: mode, modes };
    }),
    counters: by(design.counters, frame.counter),
    rules: by(design.rules, (id) => frame.rule(id).active),
    asksClock: frame.wantsClock,
  };
}

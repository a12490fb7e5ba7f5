import { bool, name, type Declaration, type Section, type Written } from '../code/index.js';
import type { Design } from '../design/index.js';
import type { Board, Starts } from './board.js';
import { channelCode, pinOf } from './channel-code.js';
import { chartCode } from './chart-code.js';
import { counterCode } from './counter-code.js';
import { shareFunction } from './drive-code.js';
import { constant, Frame, variable } from './frame.js';
import { keptValues, layoutMark } from './kept-code.js';
import { boardIn, lacksOf } from './lacks.js';
import { noticeCode } from './notice-code.js';
import { outputCode } from './output-code.js';
import { passCode } from './pass-code.js';
import { ruleCode } from './rule-code.js';
import { sequenceCode } from './sequence-code.js';

/** The program of a design on a board. */
export interface Firmware {
  written: Written;
  /** What it calls the things of the design: to look into it as it runs. */
  names: {
    channels: ReadonlyMap<string, string>;
    modes: ReadonlyMap<string, { variable: string; modes: ReadonlyMap<string, string> }>;
    counters: ReadonlyMap<string, string>;
    rules: ReadonlyMap<string, string>;
    clockStart: string;
  };
}

/**
 * Writes the program that does on a board what docs/rules.md says the design does.
 *
 * @throws RangeError where the board cannot do it: see `lacksOf`
 */
export function writeFirmware(design: Design, board: Board): Firmware {
  const [lack] = lacksOf(design, board);
  if (lack) throw new RangeError(`${lack.place}: ${lack.reason}. ${lack.cure}`);
  const frame = new Frame(design);
  const channels = design.channels.map((c) => channelCode(frame, board, c));
  const counters = design.counters.map((c) => counterCode(frame, c));
  const sequences = design.sequences.map((s) => sequenceCode(frame, s));
  const charts = design.machines.map((m) => chartCode(frame, m));
  const rules = design.rules.map((r) => ruleCode(frame, r));
  const outputs = new Map(
    design.outputs.filter((o) => !o.feeds).map((o) => [o.id, outputCode(frame, board, o)]),
  );
  const notices = design.notices.map((n) => noticeCode(frame, board, n));
  const kept = keptValues(frame);
  const pass = passCode(frame, {
    ...{ channels, steps: [...charts, ...rules], outputs: [...outputs.values()], notices },
    keeps: kept.length > 0,
  });
  const starts = startsOf(frame, board, channels, outputs);
  const sections: Section[] = [
    board.begins(design),
    settings(
      frame,
      board,
      channels.flatMap((c) => c.settings),
    ),
    ...helpers(frame),
    ...channels.map((c) => c.section),
    ...shared(frame),
    ...counters,
    ...sequences,
    ...charts.map((c) => c.section),
    ...rules.map((r) => withoutAsked(frame, r.section)),
    ...[...outputs.values()].map((o) => o.section),
    ...notices.map((n) => n.section),
    ...(kept.length > 0 ? [board.keeps(kept, layoutMark(design))] : []),
    pass,
    board.starts(starts),
    board.goesRound({
      sleeps: design.controller.sleep !== undefined,
      edges: starts.edges.length > 0,
    }),
  ];
  return { written: board.write(sections), names: namesIn(frame) };
}

function settings(frame: Frame, board: Board, own: readonly Declaration[]): Section {
  const { design } = frame;
  return {
    title: 'Settings',
    says: ['Every pin, line and time of the design. Times are in milliseconds.'],
    holds: [
      ...own,
      ...design.outputs.map((o) =>
        constant(frame.output(o.id).pin, 'byte', name(board.pin(pinOf(o.pin))), o.name),
      ),
    ],
  };
}

/** What is told from one part to another before it is asked for. */
function shared(frame: Frame): Section[] {
  const asked = frame.design.rules.filter(({ id }) => frame.asked.has(id));
  const rules = asked.map(({ id }) => variable(frame.rule(id).active, 'bool'));
  const passing = frame.passing
    ? [variable(frame.passing, 'bool', bool(false), 'something held in the last round only')]
    : [];
  const holds = [...passing, ...rules];
  return holds.length > 0 ? [{ title: 'What all parts know', says: [], holds }] : [];
}

function withoutAsked(frame: Frame, section: Section): Section {
  const told = new Set([...frame.asked].map((id) => frame.rule(id).active));
  const holds = section.holds.filter((d) => d.declares !== 'variable' || !told.has(d.name));
  return { ...section, holds };
}

const helpers = (frame: Frame): Section[] =>
  frame.wantsShare ? [{ title: 'Shares', says: [], holds: [shareFunction(frame.share)] }] : [];

function startsOf(
  frame: Frame,
  board: Board,
  programs: readonly { edge?: { notes: string } }[],
  driven: ReadonlyMap<string, { dimmed: boolean }>,
): Starts {
  const { design } = frame;
  const modes = new Map(design.controller.pins.map((p) => [p.pin, p.mode]));
  return {
    tells: design.notices.length > 0,
    keeps: keptValues(frame).length > 0,
    part: boardIn(design, board),
    analogue: design.channels.flatMap((c) => {
      const { digital, pin } = frame.channel(c.id);
      return digital ? [] : [{ pin }];
    }),
    inputs: design.channels.flatMap((c) => {
      const own = frame.channel(c.id);
      return own.digital ? [{ pin: own.pin, pullUp: modes.get(c.pin) === 'pull-up' }] : [];
    }),
    outputs: design.outputs.map((output) => ({
      ...{ pin: frame.output(output.id).pin, output },
      dimmed: driven.get(output.id)?.dimmed ?? false,
    })),
    edges: design.channels.flatMap((channel, i) => {
      const edge = programs[i]?.edge;
      return edge ? [{ pin: frame.channel(channel.id).pin, channel, notes: edge.notes }] : [];
    }),
  };
}

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
    clockStart: frame.clockStart,
  };
}

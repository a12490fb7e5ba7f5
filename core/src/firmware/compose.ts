import { bool, milliseconds, name, type Declaration, type Section } from '../code/index.js';
import type { Design } from '../design/index.js';
import { pinEdge, type Board, type Starts, type TalkParts } from './board.js';
import { channelCode, type ChannelProgram } from './channel-code.js';
import { pinOf } from './pin-of.js';
import { chartCode } from './chart-code.js';
import { counterCode } from './counter-code.js';
import { eventCode } from './event-code.js';
import { feedCode, leadOf } from './feed-code.js';
import { shareFunction } from './drive-code.js';
import { constant, Frame, variable } from './frame.js';
import { keptValues, layoutMark } from './kept-code.js';
import { boardIn } from './lacks.js';
import { noticeCode } from './notice-code.js';
import { ownCall, ownSection, ownStart } from './own-code.js';
import { outputCode } from './output-code.js';
import { passCode } from './pass-code.js';
import { ruleCode } from './rule-code.js';
import { sequenceCode } from './sequence-code.js';

/** The sections of a program, and the names in it. */
export interface Composed {
  frame: Frame;
  sections: readonly Section[];
}

/** Puts the program of a design together, in no language yet. */
export function compose(design: Design, board: Board, quiet: boolean): Composed {
  const frame = new Frame(design, quiet);
  const channels = design.channels.map((c) => channelCode(frame, board, c));
  const counters = design.counters.map((c) => counterCode(frame, c));
  const sequences = design.sequences.map((s) => sequenceCode(frame, s));
  const charts = design.machines.map((m) => chartCode(frame, m));
  const rules = design.rules.map((r) => ruleCode(frame, r));
  const outputs = new Map(
    design.outputs.filter((o) => !o.feeds).map((o) => [o.id, outputCode(frame, board, o)]),
  );
  const notices = design.notices.map((n) => noticeCode(frame, board, n));
  const feed = feedCode(frame, board, channels);
  const kept = keptValues(frame);
  const events = frame.tells ? eventCode(frame, board) : undefined;
  const pass = passCode(frame, {
    ...{ channels, steps: [...charts, ...rules], outputs: [...outputs.values()], notices },
    keeps: kept.length > 0,
    ...(feed ? { feeds: feed.feeds } : {}),
    ...(events ? { tells: events.tells } : {}),
    last: ownCall(design, 'pass'),
  });
  const starts = startsOf(frame, board, channels, outputs, quiet);
  const sends = design.notices.length > 0 && board.sends !== undefined;
  const network = sends || frame.wantsClock ? board.network?.(design, frame.wantsClock) : undefined;
  const own = ownSection(design, board);
  const talk = quiet ? undefined : board.talks?.(talkParts(frame, starts));
  const sections: Section[] = [
    board.begins(design, frame.wantsClock),
    settings(
      frame,
      board,
      channels.flatMap((c) => c.settings),
    ),
    ...helpers(frame),
    ...(network ? [network] : []),
    ...channels.map((c) => c.section),
    ...shared(frame),
    ...(own ? [own] : []),
    ...counters,
    ...sequences,
    ...charts.map((c) => c.section),
    ...rules.map((r) => withoutAsked(frame, r.section)),
    ...[...outputs.values()].map((o) => o.section),
    ...(feed ? [feed.section] : []),
    ...notices.map((n) => n.section),
    ...(kept.length > 0 ? [board.keeps(kept, layoutMark(design))] : []),
    ...(events ? [events.section] : []),
    ...(talk ? [talk] : []),
    pass,
    board.starts(starts),
    board.goesRound({
      ...watched(design),
      sleeps: design.controller.sleep !== undefined,
      edges: starts.edges.length > 0,
      lead: milliseconds(leadOf(design)),
      hears: talk !== undefined,
      joins: network !== undefined,
      sends: network !== undefined && sends,
      asks: network !== undefined && frame.wantsClock,
    }),
  ];
  return { frame, sections };
}

function settings(frame: Frame, board: Board, own: readonly Declaration[]): Section {
  const { design } = frame;
  return {
    title: 'Settings',
    says: ['Every pin, line and time of the design. Times are in milliseconds.'],
    holds: [
      ...(board.settings?.(boardIn(design, board)) ?? []),
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
  const sleeps = frame.design.controller.sleep
    ? [variable('asleep', 'bool'), variable('wakesAt', 'moment')]
    : [];
  const holds = [...passing, ...sleeps, ...rules];
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
  programs: readonly Pick<ChannelProgram, 'edge' | 'asked'>[],
  driven: ReadonlyMap<string, { dimmed: boolean }>,
  quiet: boolean,
): Starts {
  const { design } = frame;
  const modes = new Map(design.controller.pins.map((p) => [p.pin, p.mode]));
  return {
    tells: !quiet && (board.talks !== undefined || tellsOf(design) > 0),
    keeps: keptValues(frame).length > 0,
    ...watched(design),
    sleeps: design.controller.sleep !== undefined,
    clock: frame.wantsClock,
    ...(ownStart(design) ? { last: ownStart(design) } : {}),
    part: boardIn(design, board),
    pin: (terminal) => board.pin(terminal),
    analogue: design.channels.flatMap((c) => {
      const { digital, pin, asked } = frame.channel(c.id);
      return digital || asked ? [] : [{ pin }];
    }),
    asked: programs.flatMap(({ asked }) => (asked ? [asked] : [])),
    inputs: design.channels.flatMap((c) => {
      const own = frame.channel(c.id);
      return own.digital ? [{ pin: own.pin, pullUp: modes.get(c.pin) === 'pull-up' }] : [];
    }),
    outputs: design.outputs.map((output) => ({
      ...{ pin: frame.output(output.id).pin, output },
      dimmed: driven.get(output.id)?.dimmed ?? false,
    })),
    edges: design.channels.flatMap((channel, i) => {
      const { edge } = programs[i] ?? {};
      if (!edge || !channel.edge) return [];
      const { pin } = frame.channel(channel.id);
      const [terminal, turns] = [pinOf(channel.pin), pinEdge(channel.edge)];
      return [{ pin, terminal, edge: turns, notes: edge.notes }];
    }),
  };
}

/** How many things of a design are told over the serial line as they come about. */
const tellsOf = ({ notices, rules, machines }: Design): number =>
  notices.length + rules.length + machines.length;

const watched = ({ controller: { watchdog } }: Design): { watchdog?: number } =>
  watchdog === undefined ? {} : { watchdog };

/** What can be asked for over the serial line. */
const talkParts = ({ design, channel }: Frame, { outputs }: Starts): TalkParts => ({
  title: design.title,
  watched: design.controller.watchdog !== undefined,
  channels: design.channels.map((c) => {
    const { pin, digital, asked, reads } = channel(c.id);
    const label = asked ? c.pin : pinOf(c.pin);
    return { name: c.name, label, pin, digital, ...(asked ? { reads } : {}) };
  }),
  outputs: outputs.map(({ pin, output, dimmed }) => {
    return { name: output.name, pin, dimmed, high: output.active === 'high' };
  }),
});

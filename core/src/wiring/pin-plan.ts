import { kindOf, type Terminal } from '../catalog/index.js';
import {
  terminalRef,
  type Design,
  type Edit,
  type Part,
  type PinMode,
  type PinSkill,
  type TerminalRef,
} from '../design/index.js';
import { Draft } from './draft.js';
import { impliedSkill } from './implied-skill.js';
import { wiringOf, type End } from './wiring.js';

/** One controller pin that is used: by what, as what, and what is wrong with that. */
export interface PlannedPin {
  pin: TerminalRef;
  terminal: Terminal;
  /** Channels, outputs and wired parts, in words. */
  users: string[];
  mode?: PinMode;
  skill?: PinSkill;
  /** Empty where it is fine. */
  problem: string;
}

/** Every used pin of a controller, in the board's order. */
export function planPins(design: Design, board: Part): PlannedPin[] {
  return kindOf(board)
    .terminals.filter((t) => t.role === 'pin')
    .flatMap((terminal) => {
      const pin = terminalRef(board.id, terminal.id);
      const users = usersOf(design, pin);
      const use = design.controller.pins.find((p) => p.pin === pin);
      if (users.length === 0 && !use) return [];
      const wanted = needOf(design, pin);
      return [
        { pin, terminal, users, ...wanted, problem: problemOf(design, terminal, pin, wanted) },
      ];
    });
}

interface Need {
  mode?: PinMode;
  skill?: PinSkill;
}

function usersOf(design: Design, pin: TerminalRef): string[] {
  const channels = design.channels.filter((c) => c.pin === pin).map((c) => `channel ${c.name}`);
  const outputs = design.outputs.filter((o) => o.pin === pin).map((o) => `output ${o.name}`);
  const wired = wiringOf(design)
    .ends(pin)
    .filter((e) => e.ref !== pin)
    .map((e) => e.ref);
  return [...channels, ...outputs, ...wired];
}

/** Bus and serial lines ask for a pin of their kind. */
const lineSkills: Readonly<Record<string, PinSkill>> = {
  SDA: 'data',
  SCL: 'clock',
  TX: 'serial in',
  RX: 'serial out',
};

/** What is wanted of a pin: as what its channel or output uses it, and what is wired to it asks for. */
function needOf(design: Design, pin: TerminalRef): Need {
  const use = design.controller.pins.find((p) => p.pin === pin);
  const ends = wiringOf(design)
    .ends(pin)
    .filter((e) => e.ref !== pin);
  const line = ends.flatMap((e) => lineSkill(e) ?? [])[0];
  const skill = use?.skill ?? impliedSkill(design, pin)?.skill ?? line;
  const driven = design.outputs.some((o) => o.pin === pin);
  const read = design.channels.some((c) => c.pin === pin);
  const mode = driven ? 'output' : (use?.mode ?? (read ? 'input' : undefined));
  return { ...(mode ? { mode } : {}), ...(skill ? { skill } : {}) };
}

const lineSkill = (end: End): PinSkill | undefined =>
  end.terminal.role === 'pin' || end.kind.stage === 'drives'
    ? undefined
    : lineSkills[end.terminal.id];

const able = (terminal: Terminal, { mode, skill }: Need): boolean =>
  (mode === undefined || (terminal.modes ?? []).includes(mode)) &&
  (skill === undefined || (terminal.can ?? []).includes(skill));

function problemOf(design: Design, terminal: Terminal, pin: TerminalRef, need: Need): string {
  if (need.mode !== undefined && !able(terminal, { mode: need.mode }))
    return `cannot be ${need.mode}`;
  if (need.skill !== undefined && !able(terminal, { skill: need.skill }))
    return `has no ${need.skill}`;
  const driven = design.outputs.filter((o) => o.pin === pin).length;
  if (driven > 1) return 'driven by two outputs';
  if (driven === 1 && design.channels.some((c) => c.pin === pin)) return 'read and driven';
  return terminal.reserved ? `needed by the board: ${terminal.reserved}` : '';
}

/** A plan of pins in which as much fits as can, as one edit. */
export interface Arranged {
  edit: Edit;
  moves: { from: TerminalRef; to: TerminalRef }[];
  /** Uses for which there is no pin; they stay where they are. */
  left: TerminalRef[];
}

/**
 * Moves every use that its pin does not suit to one that does, as few as possible, others making room where
 * needed: a maximum matching of uses and pins (Kuhn's augmenting paths) that starts from the pins in use.
 */
export function arrangePins(design: Design, board: Part): Arranged {
  const uses = planPins(design, board);
  // Where two uses share a pin, moving both cures nothing.
  const movable = (use: PlannedPin): boolean =>
    !able(use.terminal, use) || use.terminal.reserved !== undefined;
  let left = uses.filter((u) => u.problem !== '' && !movable(u));
  for (;;) {
    const { place, without } = match(board, uses, left);
    if (without.length === 0) return arranged(design, board, uses, place, left);
    // What finds no pin keeps its own, which is then not free for others.
    left = [...left, ...without];
  }
}

/** A pin for each use, those in `staying` left where they are; and the uses for which none was found. */
function match(
  board: Part,
  uses: readonly PlannedPin[],
  staying: readonly PlannedPin[],
): { place: ReadonlyMap<PlannedPin, string>; without: PlannedPin[] } {
  const taken = new Set(staying.map((u) => u.terminal.id));
  const skills = (t: Terminal): number => (t.can ?? []).length + (t.modes ?? []).length;
  const choices = kindOf(board)
    .terminals.filter((t) => t.role === 'pin' && !t.reserved && !taken.has(t.id))
    .sort((a, b) => skills(a) - skills(b));
  const holder = new Map<string, PlannedPin>();
  const place = new Map<PlannedPin, string>();
  const settle = (use: PlannedPin, pin: string): void => {
    holder.set(pin, use);
    place.set(use, pin);
  };
  for (const use of uses) if (use.problem === '') settle(use, use.terminal.id);
  const augment = (use: PlannedPin, seen: Set<string>): boolean => {
    const fit = choices.filter((t) => able(t, use) && !seen.has(t.id));
    const [free, held] = [
      fit.filter((t) => !holder.has(t.id)),
      fit.filter((t) => holder.has(t.id)),
    ];
    for (const pin of [...free, ...held]) {
      seen.add(pin.id);
      const other = holder.get(pin.id);
      if (other && !augment(other, seen)) continue;
      settle(use, pin.id);
      return true;
    }
    return false;
  };
  const wrong = uses.filter((u) => u.problem !== '' && !staying.includes(u));
  return { place, without: wrong.filter((u) => !augment(u, new Set())) };
}

function arranged(
  design: Design,
  board: Part,
  uses: readonly PlannedPin[],
  place: ReadonlyMap<PlannedPin, string>,
  left: readonly PlannedPin[],
): Arranged {
  const moves = uses.flatMap((use) => {
    const to = place.get(use);
    return to === undefined || to === use.terminal.id
      ? []
      : [{ from: use.pin, to: terminalRef(board.id, to) }];
  });
  const draft = new Draft(design).movePins(new Map(moves.map((m) => [m.from, m.to])));
  return { edit: draft.edit('arrange pins'), moves, left: left.map((u) => u.pin) };
}

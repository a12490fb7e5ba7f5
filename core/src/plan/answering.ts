import { CannotBuild, loadAmps, loadVolts, power, usePin } from '../blocks/index.js';
import { catalog, kindOf, type PartKind } from '../catalog/index.js';
import { terminalRef, type Brief } from '../design/index.js';
import { boardsOf, freePin, suppliesOf, usualColour, type Draft } from '../wiring/index.js';

/** A supply serves a load from this share of its voltage to that. */
const serves = [0.8, 1.2] as const;
/** A supply is taken so many times as strong as what it feeds asks for. */
const spare = 2;

/** The kind of part with which a brief is answered; a sound where it does not say. */
export function answeringKind({ answer = 'sound' }: Pick<Brief, 'answer'>): PartKind {
  const found = catalog.find(({ answers }) => answers?.by === answer);
  if (!found) throw new RangeError(`No kind of part answers by ${answer}.`);
  return found;
}

/**
 * What a controller is fed with so that what it switches can be fed with it, V; the usual where they cannot share a supply.
 *
 * @param most the controller takes, V
 */
export function sharedVolts({ kind, answers }: PartKind, usual: number, most: number): number {
  if (answers?.stage === undefined) return usual;
  const wants = loadVolts({ id: '', kind, name: '', params: {} });
  return wants > usual && wants <= most && !isServed(wants, usual) ? wants : usual;
}

/** Whether a load that wants so many volts works from others. */
const isServed = (wants: number, volts: number): boolean =>
  volts >= serves[0] * wants && volts <= serves[1] * wants;

/** Cells that give so many volts: of 12 V what gives a load its amperes too. */
export const addCells = (draft: Draft, named: string, volts: number): string =>
  volts === 12
    ? draft.add('lead-battery', named, { volts })
    : draft.add('alkaline-pack', named, { volts });

/**
 * Puts in what answers, with its stage, and with a supply of its own where none that is there serves it.
 *
 * @param build makes a block for a part
 * @throws CannotBuild where no pin is free
 */
export function answerWith(
  draft: Draft,
  { kind, label, answers }: PartKind,
  build: (block: string, part: string) => void,
): void {
  const { named = label, params = {}, stage } = answers ?? {};
  const part = draft.add(kind, named, { ...params });
  if (stage === undefined) return byPin(draft, part);
  supplied(draft, part);
  build(stage, part);
}

/** What is there to feed it, or another supply, with the ground of the controller. */
function supplied(draft: Draft, id: string): void {
  const part = draft.part(id);
  const volts = loadVolts(part);
  if (suppliesOf(draft.design).some((s) => isServed(volts, s.volts))) return;
  const battery = draft.design.brief.feed === 'battery';
  const supply = battery
    ? addCells(draft, `${part.name} battery`, volts)
    : draft.add('adapter', `${part.name} supply`, { volts, maxAmps: spare * loadAmps(part) });
  join(draft, terminalRef(supply, 'minus'), ground(draft));
}

/** A pin that tells it; its supply where it has one. */
function byPin(draft: Draft, id: string): void {
  const part = draft.part(id);
  const { terminals, feed } = kindOf(part);
  const input = terminals.find((t) => t.role === 'signal-in');
  const [board] = boardsOf(draft.design);
  const pin = board && freePin(draft.design, board, { mode: 'output' });
  if (!pin || !input) throw new CannotBuild(`No pin is free that could tell ${part.name}.`);
  if (feed) power({ draft, part, because: [] });
  else
    for (const { id: end } of terminals.filter((t) => t.role === 'ground'))
      join(draft, terminalRef(id, end), ground(draft));
  usePin(draft, pin, part.name);
  join(draft, pin, terminalRef(id, input.id));
}

/** The ground of the first controller. */
function ground({ design }: Draft): string {
  const [board] = boardsOf(design);
  const minus = board && kindOf(board).feed?.minus;
  if (!board || minus === undefined) throw new CannotBuild('There is no controller with a ground.');
  return terminalRef(board.id, minus);
}

function join(draft: Draft, from: string, to: string): void {
  draft.join(from, to, { colour: usualColour(draft.design, from, to) });
}

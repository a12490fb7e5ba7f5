import { surroundings } from '../catalog/index.js';
import type { Design, Happening, Scene, Sign } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { happeningSpan, momentIn, setStage, stimulusOn, type Now } from '../scene/index.js';
import { branchOf, wiringOf } from '../wiring/index.js';
import { chainOf, eventsOf, type Event } from './events.js';
import type { Rehearsal } from './rehearsal.js';
import { Rig } from './rig.js';
import { valueAt } from './traces.js';
import type { Verdict } from './verdict.js';

/** One link of the way from a happening to what it brought about. */
export interface Link {
  /** s into the scene. */
  t: number;
  text: string;
}

/** Just before a moment, s. */
const before = 1e-6;

/**
 * How a happening came to be noticed, or to fire falsely: from what happens over what a sensor meets, the volts at its pin, the
 * reading and the answer, the rule, and the output with all between it and the load, to what acts; each with its time.
 *
 * @returns nothing where it brought nothing about
 */
export function chainOfVerdict(
  design: Design,
  scene: Scene,
  rehearsal: Rehearsal,
  happening: string,
): Link[] {
  const verdict = rehearsal.verdicts.find((v) => v.happening === happening);
  const found = scene.happenings.find((h) => h.id === happening);
  if (!verdict?.by || !found) return [];
  const { by } = verdict;
  const events = eventsOf(design, rehearsal);
  const place = events.findIndex((e) => e.t === by.t && e.begins && isOf(e, by.sign));
  const chain = place < 0 ? [] : chainOf(events, place);
  const at = chain.find((e) => e.kind === 'channel')?.t ?? by.t;
  const links = [
    { t: happeningSpan(found).start, text: `${found.name}: begins` },
    ...met(design, scene, found, verdict, at),
    ...chain.flatMap((event) => [
      ...volts(design, rehearsal, event),
      ...driven(design, rehearsal, event),
      { t: event.t, text: event.text },
    ]),
  ];
  return links.sort((a, b) => a.t - b.t);
}

const isOf = ({ kind, id }: Event, sign: Sign): boolean =>
  (sign.by === 'part' && kind === 'acting' && id === sign.part) ||
  (sign.by === 'counter' && kind === 'counter' && id === sign.counter) ||
  (sign.by === 'mode' && kind === 'mode' && id === sign.machine) ||
  (sign.by === 'notice' && kind === 'notice' && id === sign.notice);

/** What the sensor that met most of it met then, with and without it. */
function met(
  design: Design,
  scene: Scene,
  happening: Happening,
  { exposure }: Verdict,
  at: number,
): Link[] {
  if (!exposure) return [];
  const t = Math.min(exposure.end, Math.max(exposure.start, at));
  const stage = setStage(design);
  const rig = new Rig(design);
  const rest = { ...scene, happenings: [] };
  const { parts } = rig.settle(rest, 0, rig.restingLogic(rest));
  const others = scene.happenings.filter((h) => h.id !== happening.id);
  const [now, without] = [momentIn(scene, t), momentIn({ ...scene, happenings: others }, t)];
  const felt = stage.sensors.map((sensor) => {
    const sensedIn = (moment: Now): number => stimulusOn(stage, sensor, moment, (id) => parts[id]);
    const [value, plain] = [sensedIn(now), sensedIn(without)];
    const { floor, label, unit } = surroundings[sensor.receiver.quantity];
    const share = Math.abs(value - plain) / Math.max(Math.abs(plain), floor);
    const [from, to] = [formatQuantity(plain, unit), formatQuantity(value, unit)];
    return { share, text: `${sensor.part.name} meets ${label.toLowerCase()}: ${from} → ${to}` };
  });
  const most = felt.reduce((a, b) => (b.share > a.share ? b : a), { share: 0, text: '' });
  return most.share > 0 ? [{ t: exposure.start, text: most.text }] : [];
}

/** The volts at the pin of a channel that answered, and those at rest. */
function volts(design: Design, { nets }: Rehearsal, { kind, id, t }: Event): Link[] {
  const pin = design.channels.find((c) => c.id === id && kind === 'channel')?.pin;
  const trace = pin === undefined ? undefined : nets[wiringOf(design).net(pin)];
  if (!trace) return [];
  const [from, to] = [trace.values[0], valueAt(trace, t)].map((v) => formatQuantity(v ?? NaN, 'V'));
  // What an edge has left is remembered when its volts are gone again.
  return from === to ? [] : [{ t, text: `${pin}: ${from} → ${to}` }];
}

/** The output that last turned before a part acted on it, and what lies between them. */
function driven(design: Design, { logic }: Rehearsal, { kind, id, t }: Event): Link[] {
  if (kind !== 'acting') return [];
  for (const output of design.outputs) {
    const reached = branchOf(design, output.pin);
    if (!reached.includes(id)) continue;
    const turn = logic.findLast(
      (l) => l.t <= t + before && l.events.some((e) => e.kind === 'output' && e.id === output.id),
    );
    if (!turn) continue;
    const names = design.parts
      .filter((p) => p.id !== id && reached.includes(p.id))
      .map((p) => p.name);
    const over = names.length > 0 ? `, over ${names.join(', ')}` : '';
    return [{ t: turn.t, text: `${output.name} at ${output.pin} turns${over}` }];
  }
  return [];
}

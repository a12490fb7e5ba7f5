import { there } from './there.js';
import { readFileSync } from 'node:fs';

interface Part {
  name: string;
  id: string;
  params?: Record<string, number>;
}
interface Ends {
  id: string;
  from: string;
  to: string;
}
interface Pinned {
  id: string;
  pin: string;
}
interface Document {
  machines: object[];
  title: string;
  parts: Part[];
  wires: Ends[];
  controller: { pins: { pin: string }[] };
  channels: Pinned[];
  outputs: Pinned[];
  rules: { id: string; when: object; then: object }[];
  scenes: unknown[];
  readings: unknown[];
}

export const demoOf = (name: string): Document =>
  JSON.parse(readFileSync(`demo/${name}.yurei.json`, 'utf8')) as Document;

/** "R1" of the third becomes "R301": every id once. */
const renamed = (id: string, turn: number): string =>
  id.replace(/\d*$/, (n) => `${turn}${n.padStart(2, '0')}`);

/** Several designs on one bench, grounds joined; the scene is the first one's. */
export function merged(title: string, names: readonly string[]): Document {
  const all = names.map((name, i) => withOwnIds(demoOf(name), i + 1));
  const first = there(all[0], 'design');
  const ground = (d: Document): string =>
    d.wires.flatMap((w) => [w.from, w.to]).find((end) => end.endsWith('.minus')) ?? '';
  const joins = all.slice(1).map((d, i) => ({
    id: `join${i}`,
    from: ground(first),
    to: ground(d),
  }));
  return {
    ...first,
    title,
    parts: all.flatMap((d) => d.parts),
    wires: [...all.flatMap((d) => d.wires), ...joins],
    controller: { pins: all.flatMap((d) => d.controller.pins) },
    channels: all.flatMap((d) => d.channels),
    outputs: all.flatMap((d) => d.outputs),
    rules: all.flatMap((d) => d.rules),
    readings: [],
  };
}

function withOwnIds(design: Document, turn: number): Document {
  const id = (old: string): string => renamed(old, turn);
  const ref = (old: string): string => {
    const [part = '', terminal] = old.split('.');
    return `${id(part)}.${terminal}`;
  };
  return {
    ...design,
    parts: design.parts.map((p) => ({ ...p, id: id(p.id) })),
    wires: design.wires.map((w) => ({ ...w, id: id(w.id), from: ref(w.from), to: ref(w.to) })),
    controller: { pins: design.controller.pins.map((p) => ({ ...p, pin: ref(p.pin) })) },
    channels: design.channels.map((c) => ({ ...c, id: id(c.id), pin: ref(c.pin) })),
    outputs: design.outputs.map((o) => ({ ...o, id: id(o.id), pin: ref(o.pin) })),
    rules: design.rules.map((r) => ({
      ...r,
      id: id(r.id),
      when: within(r.when, id),
      then: within(r.then, id),
    })),
  };
}

/** Renames the channels and outputs that a part of a rule names. */
function within<T>(value: T, id: (old: string) => string): T {
  const text = JSON.stringify(value, (key, inner: unknown) =>
    (key === 'channel' || key === 'output') && typeof inner === 'string' ? id(inner) : inner,
  );
  return JSON.parse(text) as T;
}

/** A bench of about 60 parts. */
export const large = (): Document =>
  merged('Everything on one bench', [
    'varnish-bench-fire',
    'mooring-boom',
    'fuel-locker-vapour',
    'slipway-beam',
  ]);

/** A design with usual mistakes in it, five of which have a fix at hand. */
export function faulty(): Document {
  const design = demoOf('slipway-beam');
  const wires = design.wires.filter((w) => ![w.from, w.to].some((e) => e.startsWith('D1.')));
  return {
    ...design,
    title: 'Slipway beam, as first soldered',
    parts: design.parts.flatMap((p) => {
      if (p.id === 'D1') return [];
      const params: Record<string, Record<string, number>> = {
        R2: { ohms: 47000 },
        R3: { ohms: 68, watts: 0.1 },
      };
      return [params[p.id] ? { ...p, params: params[p.id] } : p];
    }),
    wires,
    controller: {
      pins: design.controller.pins.filter((p) => p.pin !== 'U1.D8'),
    },
    channels: design.channels.map((c) => ({ ...c, hysteresis: 1, hits: 1, misses: 1 })),
  };
}

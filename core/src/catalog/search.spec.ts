import { catalog, findKind, hasPlace, nearness, searchCatalog, surroundings } from './index.js';

/** What a maker would type, and a kind that must be among what is found. */
const wanted: readonly (readonly [string, string])[] = [
  ['water', 'probe-rods'],
  ['water', 'float-switch'],
  ['magnet', 'reed-contact'],
  ['magnet', 'hall-switch'],
  ['beep', 'sounder-12v'],
  ['beep', 'piezo-buzzer'],
  ['flame', 'flame-receiver'],
  ['fire', 'smoke-chamber'],
  ['pir', 'pyroelectric-module'],
  ['motion', 'doppler-module'],
  ['radar', 'doppler-module'],
  ['distance', 'ultrasonic-ranger'],
  ['obstacle', 'reflective-module'],
  ['ldr', 'photoresistor'],
  ['dusk', 'photoresistor'],
  ['lux', 'light-proximity-chip'],
  ['laser', 'laser-spot'],
  ['beam', 'modulated-receiver'],
  ['tilt', 'tilt-switch'],
  ['shake', 'vibration-switch'],
  ['knock', 'piezo-disc'],
  ['compass', 'heading-sensor'],
  ['touch', 'touch-module'],
  ['finger', 'touch-pad'],
  ['seat', 'force-film'],
  ['mat', 'mat-capacitor'],
  ['weight', 'load-cell'],
  ['scale', 'bridge-amplifier'],
  ['code', 'keypad'],
  ['knob', 'rotary-knob'],
  ['potentiometer', 'trimmer'],
  ['rfid', 'tag-reader'],
  ['who', 'tag-reader'],
  ['temperature', 'ntc'],
  ['frost', 'temperature-chip'],
  ['humidity', 'temperature-humidity-chip'],
  ['propane', 'gas-combustible'],
  ['carbon monoxide', 'gas-monoxide'],
  ['alcohol', 'gas-alcohol'],
  ['air quality', 'gas-air'],
  ['gas module', 'gas-module-combustible'],
  ['clap', 'sound-module'],
  ['microphone', 'sound-level-module'],
  ['rain', 'rain-module'],
  ['leak', 'rain-pad'],
  ['tank', 'pressure-level'],
  ['soil', 'soil-probe'],
  ['flow', 'flow-sensor'],
  ['door', 'loop-contact'],
  ['foil', 'window-foil'],
  ['end of line', 'supervised-contact'],
  ['csv', 'recorded-sensor'],
  ['generator', 'signal-generator'],
  ['relay 4', 'relay-board-4'],
  ['strip', 'strip-12v'],
  ['pixel', 'strip-addressable'],
  ['rgb', 'rgb-led'],
  ['strobe', 'strobe'],
  ['voice', 'audio-player'],
  ['speaker', 'speaker'],
  ['valve', 'valve-12v'],
  ['fan', 'fan-12v'],
  ['servo', 'servo'],
  ['lock', 'magnetic-lock'],
  ['display', 'character-display'],
  ['wireless', 'radio-link'],
  ['message', 'network-message'],
  ['clock', 'real-time-clock'],
  ['log', 'memory-card'],
  ['40 pin', 'chip-8bit-40pin'],
  ['3.3 v', 'radio-board-3v3'],
  ['camera', 'small-computer-3v3'],
  ['pull-up', 'resistor'],
  ['solar', 'solar-panel'],
  ['backup', 'lead-battery'],
];

it.each(wanted)('typing "%s" finds %s', (text, kind) => {
  expect(searchCatalog(text).map((k) => k.kind)).toContain(kind);
});

it('the nearest name comes first', () => {
  expect(searchCatalog('resistor')[0].kind).toBe('resistor');
  expect(searchCatalog('speaker')[0].kind).toBe('speaker');
  expect([0, 1, 2, 3, 4].map((n) => nearness('relay', near[n]))).toEqual([0, 1, 2, 3, 4]);
});
const near = ['Relay', 'Relay board', 'Latching relay', 'A prerelay', 'Lamp'];

it.each([
  ['pyroelectric-module', true],
  ['infrared-emitter', true],
  ['touch-pad', true],
  ['lead-battery', false],
  ['gas-combustible', false],
  ['float-switch', false],
  ['recorded-sensor', false],
  ['resistor', false],
])('%s has a place on the plan: %s', (name, placed) => {
  const kind = findKind(name);
  expect(kind && hasPlace(kind)).toBe(placed);
});

describe('every kind is told in full', () => {
  const labels = new Map<string, string>();
  it.each(catalog.map((k) => [k.kind, k] as const))('%s', (name, kind) => {
    expect(name).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/);
    expect(labels.get(kind.label)).toBeUndefined();
    labels.set(kind.label, name);
    expect(kind.summary).toMatch(/\.$/);
    expect(kind.summary.length).toBeLessThan(125);
    expect(kind.words.length).toBeGreaterThan(2);
    expect(kind.notes.length + kind.cautions.length).toBeGreaterThan(0);
    expect(kind.glyph).toMatch(/^M[\d\sA-Za-z.\-,]+$/);
    for (const text of [...kind.notes, ...kind.cautions]) expect(text).toMatch(/[.?]$/);
    for (const param of kind.params) {
      if (param.choices) expect(param.choices).toHaveLength(param.max - param.min + 1);
    }
    for (const quantity of kind.senses?.quantities ?? []) {
      expect(Object.keys(surroundings)).toContain(quantity);
    }
    const params = Object.fromEntries(kind.params.map((p) => [p.id, p.default]));
    expect(kind.headline(params).length).toBeGreaterThan(0);
    for (const phase of kind.phases ?? []) {
      expect(phase.amps(params)).toBeGreaterThanOrEqual(0);
    }
  });

  it('what can hurt says so', () => {
    const warned = [
      'laser-spot',
      'magnetic-lock',
      'relay-board-8',
      'gas-module-monoxide',
      'smoke-chamber',
      'flame-receiver',
      'lead-battery',
      'adapter',
      'strobe',
      'valve-12v',
      'servo',
      'light-proximity-chip',
    ];
    for (const kind of warned) expect(findKind(kind)?.cautions).not.toEqual([]);
  });

  it('modules name kinds of the catalogue, each inner part once, all wired to something', () => {
    for (const kind of catalog) {
      if (!kind.inside) continue;
      const params = Object.fromEntries(kind.params.map((p) => [p.id, p.default]));
      const parts = kind.inside.parts(params);
      const ends = kind.inside.wires(params).flat();
      expect(new Set(parts.map((p) => p.id)).size).toBe(parts.length);
      for (const inner of parts) {
        expect(findKind(inner.kind.kind)).toBe(inner.kind);
        for (const id of Object.keys(inner.params)) {
          expect(inner.kind.params.map((p) => p.id)).toContain(id);
        }
        expect(ends.some((end) => end.startsWith(`${inner.id}.`))).toBe(true);
      }
      const own = new Set(kind.terminals.map((t) => t.id));
      for (const end of ends) {
        const [part, terminal] = end.split('.');
        const inner = parts.find((p) => p.id === part);
        const known = terminal
          ? inner?.kind.terminals.some((t) => t.id === terminal)
          : own.has(part);
        expect([end, known]).toEqual([end, true]);
      }
    }
  });
});

import type { Edit } from './edit.js';
import { put, without } from './list.js';
import type { Design } from './types.js';
import type { Machine } from './program.js';
import { withoutMode, withoutNamed } from './without-named.js';

type Handler<T extends Edit['type']> = (design: Design, edit: Extract<Edit, { type: T }>) => Design;
type ProgramEdit =
  | `${'put' | 'remove'}-${'rule' | 'machine' | 'counter' | 'sequence' | 'notice'}`
  | 'move-rule'
  | 'set-controller'
  | 'set-code';

/** Edits of what runs on the controller. What names a thing that goes, goes with it. */
export const programHandlers: { [T in ProgramEdit]: Handler<T> } = {
  'put-rule': (design, { rule }) => ({ ...design, rules: put(design.rules, rule) }),
  'remove-rule': (design, { id }) => {
    const rules = without(design.rules, id, 'rule');
    return withoutNamed({ ...design, rules }, 'rule', id);
  },
  'move-rule': (design, { id, before }) => {
    const rules = without(design.rules, id, 'rule');
    const rule = design.rules.filter((r) => r.id === id);
    const at = before === undefined ? rules.length : rules.findIndex((r) => r.id === before);
    if (at < 0) return design;
    return { ...design, rules: [...rules.slice(0, at), ...rule, ...rules.slice(at)] };
  },
  'put-machine': (design, { machine }) => putMachine(design, machine),
  'remove-machine': (design, { id }) => {
    const machines = without(design.machines, id, 'mode chart');
    return withoutNamed({ ...design, machines, scenes: withoutStart(design, id) }, 'machine', id);
  },
  'put-counter': (design, { counter }) => ({
    ...design,
    counters: put(design.counters, counter),
  }),
  'remove-counter': (design, { id }) => {
    const counters = without(design.counters, id, 'counter');
    return withoutNamed({ ...design, counters }, 'counter', id);
  },
  'put-sequence': (design, { sequence }) => ({
    ...design,
    sequences: put(design.sequences, sequence),
  }),
  'remove-sequence': (design, { id }) => {
    const sequences = without(design.sequences, id, 'sequence');
    return withoutNamed({ ...design, sequences }, 'sequence', id);
  },
  'put-notice': (design, { notice }) => ({ ...design, notices: put(design.notices, notice) }),
  'remove-notice': (design, { id }) => {
    const notices = without(design.notices, id, 'notice');
    return withoutNamed({ ...design, notices }, 'notice', id);
  },
  'set-controller': (design, { sleep, watchdog }) => ({
    ...design,
    controller: {
      pins: design.controller.pins,
      ...(sleep ? { sleep } : {}),
      ...(watchdog ? { watchdog } : {}),
      ...(design.controller.code ? { code: design.controller.code } : {}),
    },
  }),
  'set-code': (design, { place, text }) => {
    const { code: before, ...controller } = design.controller;
    const { [place]: _, ...others } = before ?? {};
    const code = text.trim() === '' ? others : { ...others, [place]: text };
    const any = Object.keys(code).length > 0;
    return { ...design, controller: { ...controller, ...(any ? { code } : {}) } };
  },
};

/** A machine that has lost modes takes along what names them; it begins in a mode that it has. */
function putMachine(design: Design, machine: Machine): Design {
  const has = (mode: string): boolean => machine.modes.some((m) => m.id === mode);
  const lost = (design.machines.find((m) => m.id === machine.id)?.modes ?? []).filter(
    (m) => !has(m.id),
  );
  const start = has(machine.start) ? machine.start : (machine.modes[0]?.id ?? '');
  const placed = { ...design, machines: put(design.machines, { ...machine, start }) };
  const rid = lost.reduce((d, mode) => withoutMode(d, machine.id, mode.id), placed);
  const begins = (mode: string | undefined): boolean => mode !== undefined && !has(mode);
  return {
    ...rid,
    scenes: rid.scenes.some((s) => begins(s.modes?.[machine.id]))
      ? withoutStart(rid, machine.id, has)
      : rid.scenes,
  };
}

/** Scenes that no longer say in which mode of a machine they begin, unless it is one to keep. */
function withoutStart(
  { scenes }: Design,
  machine: string,
  keep: (mode: string) => boolean = () => false,
): Design['scenes'] {
  return scenes.map((scene) => {
    const mode = scene.modes?.[machine];
    if (mode === undefined || keep(mode)) return scene;
    return {
      ...scene,
      modes: Object.fromEntries(Object.entries(scene.modes ?? {}).filter(([id]) => id !== machine)),
    };
  });
}

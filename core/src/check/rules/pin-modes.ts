import { terminalOf } from '../../catalog/index.js';
import type { Design, PinMode, TerminalRef } from '../../design/index.js';
import type { Finding, Rule } from '../finding.js';

/** Pins must be set up as what channels and outputs use them for. */
export const pinModes: Rule = ({ design }) => [
  ...design.channels.flatMap((c) =>
    pinFinding(design, c.pin, 'analogue', `Channel ${c.name} reads`),
  ),
  ...design.outputs.flatMap((o) => pinFinding(design, o.pin, 'output', `Output ${o.name} drives`)),
];

function pinFinding(design: Design, pin: TerminalRef, wanted: PinMode, use: string): Finding[] {
  const mode = design.controller.pins.find((p) => p.pin === pin)?.mode;
  const able = terminalOf(design, pin)?.modes?.includes(wanted) ?? false;
  if (mode === wanted && able) return [];
  const base = {
    id: `pin:${pin}`,
    severity: 'error',
    step: 'act',
    about: [pin.split('.')[0]],
  } as const;
  if (!able) {
    return [
      {
        ...base,
        title: `${pin} cannot be ${wanted}`,
        reason: `${use} ${pin}, which has no such function. Move the wire to a pin that has.`,
      },
    ];
  }
  return [
    {
      ...base,
      title: `${pin} is not set up`,
      reason: `${use} ${pin}, but the firmware sets it up as ${mode ?? 'nothing'}.`,
      fix: { label: `Set ${pin} to ${wanted}`, edit: { type: 'set-pin', pin, mode: wanted } },
    },
  ];
}

import { kindOf } from '../../catalog/index.js';
import {
  deriveNets,
  freshId,
  netIndex,
  terminalRef,
  type Design,
  type Edit,
} from '../../design/index.js';
import type { Finding, Rule } from '../finding.js';

/** Every coil wants a diode across it, cathode to its plus. */
export const coilDiode: Rule = ({ design }) => {
  const net = netIndex(deriveNets(design));
  const wired = new Set(design.wires.flatMap((w) => [w.from, w.to]));
  return design.parts.flatMap((part): Finding[] => {
    const { coil } = kindOf(part);
    if (!coil) return [];
    const plus = terminalRef(part.id, coil.plus);
    const minus = terminalRef(part.id, coil.minus);
    if (!wired.has(plus) || !wired.has(minus)) return [];
    const diodes = design.parts.flatMap((p) => {
      const { conducts } = kindOf(p);
      if (!conducts) return [];
      return [
        {
          from: net(terminalRef(p.id, conducts.from)),
          to: net(terminalRef(p.id, conducts.to)),
          id: p.id,
        },
      ];
    });
    const reversed = diodes.find((d) => d.from === net(plus) && d.to === net(minus));
    if (reversed) return [reversedFinding(part.name, part.id, reversed.id)];
    const right = diodes.some((d) => d.from === net(minus) && d.to === net(plus));
    return right ? [] : [missingFinding(design, part.name, part.id, plus, minus)];
  });
};

function missingFinding(
  design: Design,
  name: string,
  id: string,
  plus: string,
  minus: string,
): Finding {
  return {
    id: `coil:${id}`,
    severity: 'error',
    step: 'drive',
    title: `No diode across ${name}`,
    reason:
      'When it is switched off its coil lifts the driver far above the supply until something gives way. How far is not computed yet.',
    about: [id],
    fix: { label: 'Add 1N4007, band to +', edit: addDiode(design, plus, minus) },
  };
}

const reversedFinding = (name: string, id: string, diode: string): Finding => ({
  id: `coil:${id}`,
  severity: 'error',
  step: 'drive',
  title: `${diode} across ${name} is the wrong way round`,
  reason:
    'It shorts the supply through the driver as soon as that switches on. Turn it: band to +.',
  about: [diode, id],
});

function addDiode(design: Design, plus: string, minus: string): Edit {
  const id = freshId(
    'D',
    design.parts.map((p) => p.id),
  );
  const wires = design.wires.map((w) => w.id);
  const first = freshId('w', wires);
  const second = freshId('w', [...wires, first]);
  return {
    type: 'batch',
    label: `add diode ${id}`,
    edits: [
      { type: 'add-part', part: { id, kind: 'rectifier-diode', name: id, params: {} } },
      { type: 'add-wire', wire: { id: first, from: terminalRef(id, 'k'), to: plus } },
      { type: 'add-wire', wire: { id: second, from: terminalRef(id, 'a'), to: minus } },
    ],
  };
}

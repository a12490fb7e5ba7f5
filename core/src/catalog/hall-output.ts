import { definePart } from './define-part.js';
import { supplyLimits } from './limit.js';
import type { Param, PartKind } from './part-kind.js';
import { decimals } from '../quantity/index.js';
import { constant, draws, yesNo } from './sensor-output.js';

/** Fields are compared in units of a millitesla. */
const unit = 1e-3;

interface HallSwitch extends Pick<
  PartKind,
  'kind' | 'label' | 'summary' | 'words' | 'first' | 'notes' | 'source'
> {
  /** Output on from this south field, T; off below that one. */
  operate: number;
  release: number;
}

const point = <const I extends string>(id: I, label: string, value: number) =>
  ({
    id,
    label,
    unit: 'T',
    default: value,
    min: -0.1,
    max: 0.1,
    tolerance: 0.3,
  }) as const satisfies Param;

/** A Hall switch with an open-collector output: south pole positive, on at its operate point, off at its release point. */
export function hallSwitchKind(about: HallSwitch) {
  const { kind, label, summary, words, first, notes, source, operate, release } = about;
  return definePart({
    kind,
    label,
    summary,
    prefix: 'B',
    words: ['magnet', 'hall', 'door', 'turns', 'wheel', 'position', ...words],
    stage: 'feels',
    ages: 'Hardly; magnets lose some per cent in years.',
    first,
    terminals: [
      { id: 'VCC', label: 'VCC', role: 'supply-in' },
      { id: 'GND', label: 'GND', role: 'ground' },
      { id: 'OUT', label: 'OUT', role: 'signal-out' },
    ],
    params: [
      point('operate', 'On from', operate),
      point('release', 'Off below', release),
      { id: 'own', label: 'Own current', unit: 'A', default: 4e-3, min: 1e-6, max: 0.05 },
    ],
    feed: { plus: 'VCC', minus: 'GND', least: () => 3.8 },
    decouple: 100e-9,
    ratings: [...supplyLimits('VCC', 'GND', 24, 0.5), { into: 'OUT', limit: 0.025 }],
    elements: (p, state) => [
      draws('VCC', 'GND', p.own, 5),
      { type: 'level', node: '#field', value: state.stimulus.field / unit, up: 2e-6, down: 2e-6 },
      constant('#middle', (p.operate + p.release) / 2 / unit),
      yesNo({
        signal: '#field',
        limit: '#middle',
        output: 'OUT',
        supply: 'VCC',
        ground: 'GND',
        hysteresis: Math.max(0.01, Math.abs(p.operate - p.release) / 2 / unit),
        stage: 'open-collector',
        whenOver: 'low',
        ohms: 20,
        delay: 1e-6,
      }),
    ],
    ownAmps: (p) => p.own,
    headline: (p) => `${decimals(1e3 * p.operate, 1)}/${decimals(1e3 * p.release, 1)} mT`,
    senses: { quantities: ['field'] },
    curve: {
      vary: { stimulus: 'field' },
      from: -0.03,
      to: 0.03,
      scale: 'linear',
      operating: [Math.min(operate, release), Math.max(operate, release)],
      feeds: [['VCC', 'GND', 5]],
      loads: [['VCC', 'OUT', 10e3]],
      reads: { volts: ['OUT', 'GND'] },
    },
    legsVary: true,
    notes: [
      'OUT only pulls down and needs a pull-up, 10 kΩ: low means that the magnet is there.',
      ...notes,
      'Pin order differs between types: check before power.',
    ],
    cautions: [],
    source,
    price: 'under 1',
    glyph: 'M5 4H19V16H5ZM8 16V22M12 16V22M16 16V22M9 12L15 8M9 8L15 12',
  });
}

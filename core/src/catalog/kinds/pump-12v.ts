import { at } from '../solved-values.js';
import { choice } from '../choice.js';
import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { kickBounds } from '../coil.js';
import { copperAt } from '../copper.js';
import { waterWay, waterWays } from '../water-way.js';

/** 3000 turns a minute at rated voltage and running current, rad/s. */
const ratedSpeed = 314;
/**
 * Eddy currents in the iron, as a resistance across the winding of so many times its own, and never more than a tenth of what it
 * runs on: ringing dies out in a cycle or two.
 */
const ironShare = 300;

export const pump12v = definePart({
  kind: 'pump-12v',
  label: 'Pump motor, 12 V',
  summary: 'A small bilge or fountain pump with a permanent-magnet motor.',
  prefix: 'M',
  words: ['pump', 'motor', 'water', 'bilge', 'fan', 'drain'],
  stage: 'acts',
  answers: { by: 'pump', named: 'Pump', stage: 'mosfet-stage' },
  terminals: [
    { id: 'plus', label: '+', role: 'coil' },
    { id: 'minus', label: '−', role: 'coil' },
  ],
  stateNodes: ['#speed'],
  params: [
    { id: 'volts', label: 'Rated voltage', unit: 'V', default: 12, min: 1.5, max: 48 },
    { id: 'amps', label: 'Running current', unit: 'A', default: 0.35, min: 0.01, max: 20 },
    { id: 'stall', label: 'Stall current', unit: 'A', default: 2, min: 0.02, max: 200 },
    choice('stalled', 'Jammed', ['no', 'yes'], 'no'),
    { id: 'flow', label: 'Moves at rated voltage', unit: 'L/min', default: 8, min: 0, max: 1000 },
    choice('way', 'Moves water', waterWays, 'out of the tank'),
  ],
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: (p) => 1.25 * p.volts },
    { label: 'reversed', from: 'minus', to: 'plus', limit: (p) => 1.25 * p.volts },
    // Windings take seconds to get hot.
    { into: 'plus', limit: (p) => 1.5 * p.amps, bears: 10 },
  ],
  elements: (p, state) => {
    // A motor stalls at more than it runs at.
    const stall = Math.max(p.stall, 1.2 * p.amps);
    // What iron takes is part of both currents.
    const iron = Math.max(ironShare, (10 * stall) / p.amps);
    const ohms = (p.volts / stall) * (1 + 1 / iron);
    const amps = p.amps - p.volts / (iron * ohms);
    const constant = (p.volts - ohms * amps) / ratedSpeed;
    return [
      {
        type: 'motor',
        a: 'plus',
        b: 'minus',
        speed: '#speed',
        ohms: copperAt(ohms, state.celsius),
        henries: 1e-3 * ohms,
        constant,
        inertia: (constant * stall * 0.08) / ratedSpeed,
        friction: (0.7 * constant * amps) / ratedSpeed,
        load: 0.3 * constant * amps,
        stalled: p.stalled === 'yes',
      },
      ...kickBounds('plus', 'minus', ohms, iron, 1e-9),
    ];
  },
  load: { volts: (p) => p.volts, amps: (p) => p.amps },
  inrush: (_part, p) => p.stall,
  stall: (p) => p.stall,
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.amps, 'A')}`,
  acts: {
    word: 'running',
    does: 'moves',
    active: (part) => at(part, '#speed') > 0.5 * ratedSpeed,
    because: (part) =>
      `it turns at ${Math.round((100 * at(part, '#speed')) / ratedSpeed)} % of its rated speed`,
  },
  moves: {
    // A centrifugal pump moves water in proportion to its speed (affinity laws), without a head to speak of.
    water: (part, p) => waterWay(p.way) * p.flow * Math.max(0, at(part, '#speed') / ratedSpeed),
  },
  coil: { plus: 'plus', minus: 'minus' },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 14,
    scale: 'linear',
    operating: [9, 13],
    reads: { amps: 'plus' },
  },
  notes: ['Starting and jammed it draws its stall current. Needs a diode across it, band to +.'],
  cautions: ['Never run a bilge or fountain pump dry for long.'],
  source:
    'Motor with back-EMF (Fitzgerald, Kingsley and Umans, Electric Machinery) through running and stall point; 3000 turns a minute and 0.08 s to start, 8 L/min and what iron takes as typical (from memory); flow in proportion to speed (affinity laws).',
  price: '5 to 20',
  glyph: 'M1 12H4M20 12H23M12 4A8 8 0 1 0 12 20A8 8 0 1 0 12 4M8 16V8L12 13L16 8V16',
});

import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { draws } from '../sensor-output.js';

export const flowSensor = definePart({
  kind: 'flow-sensor',
  label: 'Flow sensor',
  summary: 'A little wheel with a magnet in the pipe: pulses that come faster as more flows.',
  prefix: 'B',
  words: ['flow', 'pipe', 'water', 'litres', 'pulse', 'burst', 'tap', 'hose'],
  stage: 'feels',
  ages: 'Its bearing wears, and sand or lime slows the wheel.',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'OUT', label: 'OUT', role: 'signal-out' },
  ],
  params: [
    {
      id: 'perFlow',
      label: 'Hz per L/min',
      unit: '',
      default: 7.5,
      min: 0.1,
      max: 200,
      tolerance: 0.1,
    },
    { id: 'least', label: 'Turns from', unit: 'L/min', default: 1, min: 0.01, max: 50 },
    { id: 'own', label: 'Own current', unit: 'A', default: 5e-3, min: 1e-5, max: 0.05 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4.2 },
  ratings: [...supplyLimits('VCC', 'GND', 18, 0.5), { into: 'OUT', limit: 0.01 }],
  elements: (p, state) => {
    const hertz = pulses(p, state.stimulus.flow);
    const period = hertz > 0 ? 1 / hertz : 0;
    return [
      draws('VCC', 'GND', p.own, 5),
      // The wheel's magnet passes half of the time.
      {
        type: 'voltage-source',
        plus: '#magnet',
        minus: 'GND',
        volts: 0,
        wave: {
          shape: 'pulse',
          low: 0,
          high: hertz > 0 ? 1 : 0,
          delay: period / 4,
          rise: Math.min(1e-4, period / 20 || 1e-4),
          fall: Math.min(1e-4, period / 20 || 1e-4),
          width: period / 2,
          period,
        },
      },
      {
        type: 'contact',
        a: 'OUT',
        b: 'GND',
        control: '#magnet',
        rests: 'open',
        on: 0.6,
        off: 0.4,
        ohms: 20,
        bounce: 0,
      },
      { type: 'resistor', a: 'OUT', b: 'VCC', ohms: 10e3 },
    ];
  },
  reads: [
    {
      id: 'rate',
      label: 'Pulses in ten seconds',
      full: () => 65535,
      noise: () => 0.5,
      counts: (stimulus, p) => 10 * pulses(p, stimulus.flow),
      through: ['OUT'],
      works: (part) => across(part, 'VCC', 'GND') > 4.2,
    },
  ],
  ownAmps: (p) => p.own,
  headline: (p) => `${p.perFlow} Hz per L/min`,
  senses: { quantities: ['flow'] },
  curve: {
    vary: { stimulus: 'flow' },
    from: 0,
    to: 40,
    scale: 'linear',
    operating: [1, 30],
    feeds: [['VCC', 'GND', 5]],
    reads: { readout: 'rate' },
  },
  notes: [
    'A drip does not turn the wheel: slow leaks stay unseen.',
    'Count pulses on an interrupt; with polling some are lost.',
  ],
  cautions: ['Not for drinking water, gas or fuel unless it says so.'],
  source:
    'Frequency in proportion to flow above a least one; 7.5 Hz per L/min as typical of half-inch sensors (from memory).',
  price: '1 to 5',
  glyph:
    'M1 9H7M1 15H7M17 9H23M17 15H23M12 6A6 6 0 1 0 12 18A6 6 0 1 0 12 6M12 8V16M8.5 10L15.5 14M8.5 14L15.5 10',
});

/** Pulses a second; none while the wheel stands. */
const pulses = (p: { least: number; perFlow: number }, flow: number): number =>
  flow >= p.least ? p.perFlow * flow : 0;

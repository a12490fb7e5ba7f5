import type { Design, Part } from '../../design/index.js';

/** A board, and which of its pins read counts, read levels, and are dimmed. */
export interface On {
  kind: string;
  /** Left out where it reads no counts: levels are read in their place. */
  analogue?: readonly [string, string];
  digital: readonly [string, string, string];
  outputs: readonly [string, string];
  feeds: string;
  /** Whether it has a watchdog. */
  watched: boolean;
  /** Parts that answer by other means, how they are wired, and what is read of them. */
  others?: Others;
}
interface Others {
  parts: readonly Part[];
  wires: Design['wires'];
  refs: readonly string[];
}
const wired = (...ends: readonly (readonly [string, string])[]): Design['wires'] =>
  ends.map(([from, to], i) => ({ id: `w${i}`, from, to, colour: 'blue' }));
const chipOnBus = (data: string, clock: string): Others => ({
  parts: [{ id: 'B1', kind: 'light-proximity-chip', name: 'Chip', params: {} }, tags],
  wires: wired(['B1.SDA', data], ['B1.SCL', clock], ['B7.SDA', data], ['B7.SCL', clock]),
  refs: ['B1.ambient', 'B1.proximity', 'B7.tag'],
});
const ranger = { id: 'B2', kind: 'ultrasonic-ranger', name: 'Ranger', params: {} };
const mat = { id: 'B3', kind: 'mat-capacitor', name: 'Mat', params: {} };
const pad = { id: 'B4', kind: 'touch-pad', name: 'Pad', params: {} };
const compass = { id: 'B5', kind: 'heading-sensor', name: 'Compass', params: {} };
const tags = { id: 'B7', kind: 'tag-reader-bus', name: 'Tags', params: {} };
const air = { id: 'B6', kind: 'temperature-humidity-chip', name: 'Air', params: {} };
export const onEightBitBoard: On = {
  kind: 'controller-5v-8bit',
  analogue: ['A0', 'A1'],
  digital: ['D4', 'D5', 'D2'],
  outputs: ['D9', 'D10'],
  feeds: 'D7',
  watched: true,
  others: {
    parts: [...chipOnBus('', '').parts, ranger, mat],
    wires: wired(
      ...([
        ['B1.SDA', 'U1.A4'],
        ['B1.SCL', 'U1.A5'],
        ['B7.SDA', 'U1.A4'],
        ['B7.SCL', 'U1.A5'],
        ['B2.TRIG', 'U1.D11'],
        ['B2.ECHO', 'U1.D12'],
        ['B3.a', 'U1.D8'],
        ['B3.b', 'U1.D3'],
      ] as const),
    ),
    refs: ['B1.ambient', 'B1.proximity', 'B7.tag', 'B2.echo', 'B3.picofarads'],
  },
};
export const onRadioBoard: On = {
  kind: 'radio-board-3v3',
  analogue: ['P2', 'P3'],
  digital: ['P4', 'P5', 'P8'],
  outputs: ['P9', 'P10'],
  feeds: 'P11',
  watched: true,
  others: {
    parts: [compass, air, tags, ranger, mat, pad],
    wires: wired(
      ...([
        ['B5.SDA', 'U1.P14'],
        ['B5.SCL', 'U1.P15'],
        ['B6.SDA', 'U1.P14'],
        ['B6.SCL', 'U1.P15'],
        ['B7.SDA', 'U1.P14'],
        ['B7.SCL', 'U1.P15'],
        ['B2.TRIG', 'U1.P12'],
        ['B2.ECHO', 'U1.P13'],
        ['B3.a', 'U1.P8'],
        ['B3.b', 'U1.P6'],
        ['B4.pad', 'U1.P7'],
      ] as const),
    ),
    refs: [
      ...['B5.heading', 'B6.temperature', 'B6.humidity', 'B7.tag'],
      ...['B2.echo', 'B3.picofarads', 'B4.counts'],
    ],
  },
};
export const onChip: On = {
  kind: 'chip-8bit-40pin',
  analogue: ['PA0', 'PA1'],
  digital: ['PB0', 'PB1', 'PD2'],
  outputs: ['PB3', 'PD5'],
  feeds: 'PC2',
  watched: true,
  others: chipOnBus('U1.PC1', 'U1.PC0'),
};
export const onSmallComputer: On = {
  kind: 'small-computer-3v3',
  digital: ['P7', 'P8', 'P9'],
  outputs: ['P10', 'P11'],
  feeds: 'P12',
  watched: false,
  others: chipOnBus('U1.P1', 'U1.P2'),
};

/** Volts given, V, and least volts above them at the input, V. */
interface Values {
  volts: number;
  dropOut: number;
}

/** What rules reckon with of a regulator with terminals in, out and gnd. */
export const regulatorFacets = {
  supplies: [{ at: 'out', volts: (p: Values): number => p.volts, param: 'volts' }],
  regulator: {
    input: 'in',
    output: 'out',
    ground: 'gnd',
    volts: (p: Values): number => p.volts,
    dropOut: (p: Values): number => p.dropOut,
  },
} as const;

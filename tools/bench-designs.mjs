/** Designs of any size for timing; nothing in them is meant to be built. */
const empty = {
  format: 'yurei-design',
  version: 1,
  title: 'Bench',
  purpose: '',
  site: '',
  channels: [],
  outputs: [],
  rules: [],
  scenes: [],
  notes: '',
};

class Builder {
  parts = [];
  wires = [];

  add(kind, id, params = {}) {
    this.parts.push({ id, kind, name: id, params });
  }

  join(...pairs) {
    for (const [from, to] of pairs) this.wires.push({ id: `w${this.wires.length}`, from, to });
  }

  design(pins = []) {
    return { ...empty, parts: this.parts, wires: this.wires, controller: { pins } };
  }
}

/** Forty parts: battery, fuse, bulk capacitor, controller; six light channels; three sounders with indicator. */
export function alarm() {
  const b = new Builder();
  b.add('lead-battery', 'G1');
  b.add('fuse', 'F1', { amps: 2 });
  b.add('electrolytic-capacitor', 'C1', { farads: 220e-6 });
  b.add('controller-5v-8bit', 'U1');
  b.join(['G1.plus', 'F1.a'], ['F1.b', 'U1.VIN'], ['G1.minus', 'U1.GND'], ['C1.plus', 'U1.VIN']);
  b.join(['C1.minus', 'U1.GND']);
  for (let i = 0; i < 6; i++) {
    const [ldr, load, cap] = [`B${i}`, `RL${i}`, `CF${i}`];
    b.add('photoresistor', ldr);
    b.add('resistor', load, { ohms: 10e3 });
    b.add('capacitor', cap, { farads: 1e-7 });
    b.join(['U1.5V', `${ldr}.a`], [`${ldr}.b`, `U1.A${i}`], [`${ldr}.b`, `${load}.a`]);
    b.join([`${load}.b`, 'U1.GND'], [`${cap}.a`, `${ldr}.b`], [`${cap}.b`, 'U1.GND']);
  }
  for (let i = 0; i < 3; i++) {
    const pin = `U1.D${i + 2}`;
    b.add('resistor', `RB${i}`, { ohms: 820 });
    b.add('npn-transistor', `Q${i}`);
    b.add('sounder-12v', `P${i}`);
    b.add('rectifier-diode', `D${i}`);
    b.add('resistor', `RI${i}`, { ohms: 330 });
    b.add('led', `H${i}`);
    b.join(
      [pin, `RB${i}.a`],
      [`RB${i}.b`, `Q${i}.b`],
      [`Q${i}.e`, 'U1.GND'],
      [`Q${i}.c`, `P${i}.minus`],
    );
    b.join([`P${i}.plus`, 'U1.VIN'], [`D${i}.a`, `P${i}.minus`], [`D${i}.k`, 'U1.VIN']);
    b.join([pin, `RI${i}.a`], [`RI${i}.b`, `H${i}.a`], [`H${i}.k`, 'U1.GND']);
  }
  const analogue = Array.from({ length: 6 }, (_, i) => ({ pin: `U1.A${i}`, mode: 'analogue' }));
  const outputs = Array.from({ length: 3 }, (_, i) => ({ pin: `U1.D${i + 2}`, mode: 'output' }));
  return b.design([...analogue, ...outputs]);
}

/** Ten parts to each comparator channel on one supply. */
export function comparators(channels) {
  const b = new Builder();
  b.add('adapter', 'G1', { maxAmps: 10 });
  for (let i = 0; i < channels; i++) {
    const at = (part, terminal) => `${part}${i}.${terminal}`;
    b.add('photoresistor', `B${i}`);
    b.add('resistor', `RL${i}`, { ohms: 10e3 });
    b.add('capacitor', `CF${i}`, { farads: 1e-7 });
    b.add('resistor', `RT${i}`, { ohms: 10e3 });
    b.add('resistor', `RG${i}`, { ohms: 12e3 });
    b.add('resistor', `RF${i}`, { ohms: 220e3 });
    b.add('comparator-393', `U${i}`);
    b.add('resistor', `RP${i}`, { ohms: 1e3 });
    b.add('led', `H${i}`);
    b.join(
      ['G1.plus', at('B', 'a')],
      [at('B', 'b'), at('U', 'minus')],
      [at('B', 'b'), at('RL', 'a')],
    );
    b.join([at('RL', 'b'), 'G1.minus'], [at('CF', 'a'), at('B', 'b')], [at('CF', 'b'), 'G1.minus']);
    b.join(
      ['G1.plus', at('RT', 'a')],
      [at('RT', 'b'), at('U', 'plus')],
      [at('RG', 'a'), at('U', 'plus')],
    );
    b.join(
      [at('RG', 'b'), 'G1.minus'],
      [at('RF', 'a'), at('U', 'plus')],
      [at('RF', 'b'), at('U', 'out')],
    );
    b.join(
      [at('U', 'vcc'), 'G1.plus'],
      [at('U', 'gnd'), 'G1.minus'],
      [at('U', 'out'), at('H', 'k')],
    );
    b.join(['G1.plus', at('RP', 'a')], [at('RP', 'b'), at('H', 'a')]);
  }
  return b.design();
}

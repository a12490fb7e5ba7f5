import { kindOf, paramsOf } from '../catalog/index.js';
import { terminalRef } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { Draft } from '../wiring/index.js';
import { CannotBuild, type Block } from './block.js';
import { loadVolts, guardCoil, loadAmps, loadEnds } from './load-stage.js';
import {
  answeredSupply,
  askPart,
  askSupply,
  askTerminal,
  e12Below,
  groundOf,
  partOf,
  put,
  supplyNear,
  terminalOfAnswer,
  wire,
} from './site.js';

/** The gate gets this many times what the least sensitive specimen wants. */
const surplus = 3;

export const thyristorLatch: Block = {
  id: 'thyristor-latch',
  label: 'Thyristor latch',
  summary: 'Once fired it stays on without a controller, until its reset button cuts the current.',
  words: ['thyristor', 'scr', 'latch', 'memory', 'stay on', 'alarm', 'reset'],
  asks: (design, about) => [
    askPart(design, 'Load', (kind) => kind.stage === 'acts' && kind.terminals.length === 2, about),
    askTerminal(
      design,
      'Fired by',
      (t) => ['signal-out', 'contact', 'pin'].includes(t.role),
      undefined,
      'driver',
    ),
  ],
  build: (design, answers) => {
    const part = partOf(design, answers);
    const driver = terminalOfAnswer(answers, 'driver');
    const supply = supplyNear(design, loadVolts(part));
    const ground = groundOf(design);
    const draft = new Draft(design);
    const q = draft.add('thyristor', `${part.name} latch`);
    const made = draft.part(q);
    const { thyristor } = kindOf(made);
    if (!thyristor) throw new CannotBuild('There is no thyristor in the catalogue.');
    const params = paramsOf(made);
    const [maxAmps, trigger] = [thyristor.maxAmps(params), thyristor.trigger(params)];
    const amps = loadAmps(part);
    if (amps > maxAmps)
      throw new CannotBuild(
        `${part.name} takes ${formatQuantity(amps, 'A')}, more than the thyristor’s ${formatQuantity(maxAmps, 'A')}.`,
      );
    const [plus, minus] = loadEnds(part);
    const reset = draft.add('loop-contact', 'Reset', { closedAtRest: 1, maxAmps: 3 });
    wire(draft, supply.ref, terminalRef(reset, 'a'));
    wire(draft, terminalRef(reset, 'b'), terminalRef(part.id, plus));
    wire(draft, terminalRef(part.id, minus), terminalRef(q, 'a'));
    wire(draft, terminalRef(q, 'k'), ground);
    const gate = surplus * 1.5 * trigger + 0.7 / 1e3;
    const driveVolts = Math.min(supply.volts, 5);
    const ohms = e12Below((driveVolts - 0.7) / gate);
    put(draft, 'resistor', 'Gate feed', { ohms }, [driver, terminalRef(q, 'g')]);
    put(draft, 'resistor', 'Gate resistor', { ohms: 1e3 }, [
      terminalRef(q, 'g'),
      terminalRef(q, 'k'),
    ]);
    put(draft, 'capacitor', 'Gate capacitor', { farads: 100e-9 }, [
      terminalRef(q, 'g'),
      terminalRef(q, 'k'),
    ]);
    const because = [
      `The gate gets ${surplus} times the ${formatQuantity(1.5 * trigger, 'A')} that the least sensitive specimen wants, besides 0.7 mA through its 1 kΩ: ${formatQuantity(ohms, 'Ω')} from ${formatQuantity(driveVolts, 'V')}.`,
      '1 kΩ and 100 nF from gate to cathode keep noise from firing it. The reset contact cuts the current.',
    ];
    const holding = 2 * 1.5 * thyristor.holding(params);
    if (kindOf(part).interruptsItself || amps < holding) {
      const bleed = e12Below((supply.volts - 1) / holding);
      put(draft, 'resistor', 'Bleed resistor', { ohms: bleed, watts: 0.5 }, [
        terminalRef(part.id, plus),
        terminalRef(part.id, minus),
      ]);
      because.push(
        `${part.name} alone does not hold it: ${formatQuantity(bleed, 'Ω')} beside it keep ${formatQuantity(holding, 'A')} flowing.`,
      );
    }
    guardCoil(draft, part, because);
    return { edit: draft.edit('add thyristor latch'), because };
  },
};

export const schmitt555: Block = {
  id: 'schmitt-555',
  label: '555-type Schmitt trigger',
  summary:
    'Turns a slow voltage into a clean yes or no at a third and two thirds of the supply; drives 100 mA.',
  words: ['555', 'timer', 'schmitt', 'trigger', 'dusk', 'threshold', 'hysteresis', 'relay'],
  asks: (design, about) => [
    askTerminal(design, 'Signal', (t) => ['signal-out', 'passive'].includes(t.role), about),
    askSupply(design, 'From', 12),
  ],
  build: (design, answers) => {
    const signal = terminalOfAnswer(answers, 'terminal');
    const supply = answeredSupply(design, answers).ref;
    const ground = groundOf(design);
    const draft = new Draft(design);
    const u = draft.add('timer-555', 'Schmitt trigger');
    wire(draft, supply, terminalRef(u, 'vcc'));
    wire(draft, terminalRef(u, 'gnd'), ground);
    wire(draft, terminalRef(u, 'reset'), terminalRef(u, 'vcc'));
    wire(draft, signal, terminalRef(u, 'trig'));
    wire(draft, terminalRef(u, 'trig'), terminalRef(u, 'thr'));
    put(draft, 'capacitor', 'Decoupling', { farads: 100e-9 }, [terminalRef(u, 'vcc'), ground]);
    put(draft, 'capacitor', 'Control capacitor', { farads: 10e-9 }, [
      terminalRef(u, 'ctrl'),
      ground,
    ]);
    return {
      edit: draft.edit('add 555-type Schmitt'),
      because: [
        'Trigger and threshold joined: the output goes low when the signal rises past ⅔ of the supply and high when it falls below ⅓. A third of the supply lies in between, far more than any noise.',
        'Reset to the supply, 10 nF at control, 100 nF across the supply: left out, it triggers by itself.',
      ],
    };
  },
};

import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { catalog } from '@yurei/core/catalog';
import { exportFile, listCatalog, rehearseFile, solve } from './commands.js';

const demo = 'demo/slipway-beam.yurei.json';
const folder = mkdtempSync(join(tmpdir(), 'yurei-cli-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** The demo with one piece of its text replaced, as a file of its own. */
function variant(from: string, to: string): string {
  const text = readFileSync(demo, 'utf8');
  expect(text).toContain(from);
  const file = join(
    folder,
    `${Math.abs([...to].reduce((h, c) => h * 31 + c.charCodeAt(0), 7)) % 1e9}.json`,
  );
  writeFileSync(file, text.replace(from, to));
  return file;
}

it('catalog lists every kind with a line each', () => {
  const { text, json } = listCatalog();
  const lines = text.split('\n');
  expect(lines).toHaveLength(catalog.length);
  for (const { kind, summary } of catalog) {
    expect(lines.find((l) => l.startsWith(`${kind} `))).toContain(summary);
  }
  expect(json).toHaveLength(catalog.length);
});

describe('what the surroundings do, from the command line', () => {
  it('sweeps a quantity by its name: a float switch has two levels', async () => {
    const { text } = await solve('demo/skylight-rain.yurei.json', { sweep: 'S1.water=0.4:0.6:41' });
    expect(text).toMatch(/going up +at 510\.0.\smm/);
    expect(text).toMatch(/going down +at 500\.0.\smm/);
  });
  it('drives one in time: the pane rings when it is shaken', async () => {
    const { csv: rows } = await solve('demo/workshop-break-in.yurei.json', {
      transient: '0.05',
      drive: ['B2.vibration=0:0,0.01:0,0.01:5,0.04:5,0.04:0'],
    });
    const lines = (rows ?? '').split('\r\n');
    const column = lines[0].split(',').indexOf('A1');
    const volts = lines.slice(1, -1).map((l) => Number(l.split(',')[column]));
    expect(Math.max(...volts)).toBeGreaterThan(1);
    expect(Math.min(...volts)).toBeLessThan(-0.3);
  });
  it('reads pins and readouts at rest', async () => {
    const { text } = await solve('demo/mooring-boom.yurei.json', {});
    expect(text).toMatch(/Boom turned +1800 counts/);
    expect(text).toMatch(/U1\.PD2 +high/);
  });
  it.each([
    ['S1.water=-1:1:5', /S1\.water can be 0 to 100, not -1/],
    ['S1.fire=0:1:5', /S1 has no "fire"\. It has water, height/],
  ])('refuses %s', async (sweep, message) => {
    await expect(solve('demo/skylight-rain.yurei.json', { sweep })).rejects.toThrow(message);
  });
});

it('solve prints every net and the counts of each channel', async () => {
  const { text, json, exitCode } = await solve(demo, {});
  expect(text).toMatch(/A0 +4\.01\d\sV/);
  expect(text).toMatch(/Beam +82\d counts/);
  expect(json).toMatchObject({ method: 'newton', problems: [] });
  expect(exitCode).toBe(0);
});

it('rehearse tells what was noticed, and ends with 1 on a false alarm', async () => {
  const good = await rehearseFile(demo, { csv: 'wanted' });
  expect(good.text).toMatch(/quiet +nuisance +Gull/);
  expect(good.text).toMatch(/noticed +wanted +Someone walks/);
  expect(good.exitCode).toBe(0);
  const lines = good.csv?.split('\r\n') ?? [];
  expect(lines[0]).toBe('t,channel,counts');
  expect(lines).toHaveLength(1 + 3001 + 1);
  const hasty = await rehearseFile(variant('"hits": 5', '"hits": 1'), {});
  expect(hasty.exitCode).toBe(1);
  expect(hasty.text).toMatch(/fired falsely/);
});

it('rehearse follows the circuit in time unless told not to; where nothing takes long it comes to the same', async () => {
  const settled = await rehearseFile(demo, { settled: true });
  const inTime = await rehearseFile(demo, {});
  expect(inTime.exitCode).toBe(0);
  const circuits = [settled, inTime].map(({ json }) => (json as { circuit: string }).circuit);
  expect(circuits).toEqual(['settled', 'in time']);
  const outcomes = ({ json }: typeof settled): string[] =>
    (json as { verdicts: { outcome: string }[] }).verdicts.map((v) => v.outcome);
  expect(outcomes(inTime)).toEqual(outcomes(settled));
});

it('export writes what was read', async () => {
  const { json } = await exportFile(demo, { to: 'json' });
  expect(json).toEqual(JSON.parse(readFileSync(demo, 'utf8')));
});

it('export writes the wires as a hook-up list', async () => {
  const { text } = await exportFile(demo, { to: 'csv' });
  const { wires } = JSON.parse(readFileSync(demo, 'utf8')) as { wires: unknown[] };
  expect(text.split('\r\n')).toHaveLength(wires.length + 1);
  expect((await exportFile(demo, { to: 'md' })).text).toMatch(/^# Slipway beam\n\n/);
});

it('export draws the picture, with the letters it is given', async () => {
  const { text } = await exportFile(demo, { to: 'svg' }, '@font-face{font-family:x}');
  expect(text).toMatch(/^<svg [^]*<title>Slipway beam<\/title>[^]*@font-face\{[^]*<\/svg>$/);
});

describe('bad input is named', () => {
  const cases: [string, () => Promise<unknown>, RegExp][] = [
    ['a missing file', () => solve('nowhere.json', {}), /nowhere\.json: there is no such file/],
    ['a broken file', () => solve(variant('"parts": [', '"parts": '), {}), /line \d+, column \d+/],
    ['an unknown scene', () => rehearseFile(demo, { scene: 'day' }), /no scene "day".*"night"/],
    ['a bad seed', () => rehearseFile(demo, { seed: 'x' }), /--seed x is not a whole number/],
    [
      'a design without scenes',
      () => rehearseFile(variant('"scenes": [', '"scenes": [], "notes2": ['), {}),
      /notes2/,
    ],
    ['an unknown export', () => exportFile(demo, { to: 'pdf' }), /"pdf" is no kind of export/],
  ];
  it.each(cases)('%s', async (_, work, message) => {
    await expect(work()).rejects.toThrow(message);
  });
});

/** Nothing but parts and wires. */
const empty = {
  channels: [],
  outputs: [],
  rules: [],
  groups: [],
  readings: [],
  sequences: [],
  counters: [],
  notices: [],
  machines: [],
  controller: { pins: [] },
};

describe('solve in more ways', () => {
  const dusk = 'demo/steps-lamp-at-dusk.yurei.json';
  const loop = 'demo/fuel-locker-loop.yurei.json';
  const sump = 'demo/bilge-sump.yurei.json';

  it('--sweep finds both trip points and writes every point', async () => {
    const report = await solve(dusk, { sweep: 'B1.felt=1:60:60' });
    expect(report.text).toMatch(/going up +at 3[56]\.\d+\slx +U1, K1/);
    expect(report.text).toMatch(/going down +at 4\.9\d+\slx/);
    const lines = report.csv?.split('\r\n') ?? [];
    expect(lines).toHaveLength(1 + 120 + 1);
    expect(lines[0]).toMatch(/^way,B1\.felt,/);
  });

  it('--temperature warms the circuit at rest as well: silicon loses about 2 mV a kelvin (handbooks)', async () => {
    const file = join(folder, 'diode.json');
    const design = {
      ...{ format: 'yurei-design', version: 9, title: 'Diode', scenes: [] },
      parts: [
        { id: 'G1', kind: 'adapter', name: 'Supply', params: { volts: 5 } },
        { id: 'R1', kind: 'resistor', name: 'Series', params: { ohms: 4300 } },
        { id: 'D1', kind: 'rectifier-diode', name: 'Diode', params: {} },
      ],
      wires: ['G1.plus R1.a', 'R1.b D1.a', 'D1.k G1.minus'].map((wire, i) => {
        const [from, to] = wire.split(' ');
        return { id: `w${i}`, from, to };
      }),
    };
    writeFileSync(
      file,
      JSON.stringify({ ...JSON.parse(readFileSync(demo, 'utf8')), ...empty, ...design }),
    );
    const forward = async (temperature: string): Promise<number> => {
      const { json } = await solve(file, { temperature });
      const { parts } = json as { parts: Record<string, { volts: Record<string, number> }> };
      return parts['D1'].volts['a'] - parts['D1'].volts['k'];
    };
    const [cold, usual, warm] = [await forward('-5'), await forward('25'), await forward('55')];
    for (const lost of [cold - usual, usual - warm]) {
      expect(lost / 30).toBeGreaterThan(1.5e-3);
      expect(lost / 30).toBeLessThan(2.5e-3);
    }
  });

  it('--sweep over a circuit with something wrong ends as such', async () => {
    const alone = join(folder, 'alone.json');
    const design = JSON.parse(readFileSync(demo, 'utf8'));
    design.parts.push({ id: 'R99', kind: 'resistor', name: 'Left over', params: {} });
    writeFileSync(alone, JSON.stringify(design));
    expect((await solve(demo, { sweep: 'R1.ohms=1000:20000:5' })).exitCode).toBe(0);
    expect((await solve(alone, { sweep: 'R1.ohms=1000:20000:5' })).exitCode).toBe(1);
  });

  it('--transient tells what acted, when, and how hard each part was pressed', async () => {
    const report = await solve(loop, {
      transient: '0.2',
      drive: ['S3.gap=0:0,0.05:0,0.05:1,0.06:1,0.06:0'],
    });
    expect(report.text).toMatch(/5\d\.\d+\sms +P1 +acts/);
    expect(report.text).toMatch(/Q1 +current at a/);
    expect(report.exitCode).toBe(0);
    const [header, first] = report.csv?.split('\r\n') ?? [];
    expect(header.split(',')).toContain('Q1.a');
    expect(first.split(',')[0]).toBe('0');
  });

  it('--transient with a scene plays it in time, the program deciding', async () => {
    const report = await solve(loop, { transient: '28', scene: 'A night' });
    expect(report.text).toMatch(/28\.000\ss of “A night” in time/);
    expect(report.text).toMatch(/What acted/);
    const longer = await solve(loop, { transient: '12', scene: 'A night', from: 'dead' });
    expect(longer.json).toMatchObject({ circuit: 'in time', duration: 12 });
  });

  it.each<[string, string, Parameters<typeof solve>[1], RegExp]>([
    ['--from dead', loop, { transient: '20ms', from: 'dead' }, /^20\.000\sms/],
    ['--noise', sump, { noise: 'U1.minus' }, /µV r\.m\.s\./],
    ['--noise of a reading', demo, { noise: 'U1.A0' }, /A reading there has 0\.\d+ counts/],
    ['a temperature sweep', dusk, { sweep: 'temperature=-20:60:5' }, /Nothing switches/],
    ['a budget that runs out', sump, { transient: '1000', budget: '1us' }, /used up/],
    ['--worst', sump, { worst: 'U1.plus' }, /worst case .* to .*likely ±/],
    ['--temperature', dusk, { sweep: 'B1.felt=1:60:5', temperature: '50' }, /going up/],
  ])('%s', async (_, file, options, text) => {
    expect((await solve(file, options)).text).toMatch(text);
  });

  const bad: [string, Parameters<typeof solve>[1], RegExp][] = [
    ['an unknown part', { sweep: 'B9.felt=0:1:5' }, /no part "B9".*B1/],
    ['an unknown parameter', { sweep: 'B1.loudness=0:1:5' }, /B1 has no "loudness".*light, r10/],
    ['a range without points', { sweep: 'B1.felt=0:1' }, /not a range.*0:100:51/],
    ['an impossible value', { sweep: 'R2.ohms=-5:5:5' }, /R2\.ohms can be .* not -5/],
    ['no time', { transient: '0' }, /above 0/],
    ['a time that is none', { transient: 'soon' }, /--transient/],
    ['times that go back', { transient: '1', drive: ['B1.felt=1:2,0:3'] }, /ascend/],
    ['an unknown start', { transient: '1', from: 'asleep' }, /rest .* or dead/],
    ['a wire that is not there', { noise: 'Q9.x' }, /no wire is at "Q9\.x"/],
    ['a drive without a run', { drive: ['B1.felt=0:1'] }, /belong to --transient/],
    [
      'a drive beside a scene',
      { transient: '1', scene: 'An evening', drive: ['B1.felt=0:1'] },
      /leave out --drive/,
    ],
    ['two analyses', { noise: 'U1.out', worst: 'U1.out' }, /one of/],
    [
      'a glowing room',
      { transient: '1', temperature: '900' },
      /temperature can be -60 to 150, not 900/,
    ],
  ];
  it.each(bad)('refuses %s', async (_, options, message) => {
    await expect(solve(dusk, options)).rejects.toThrow(message);
  });
});

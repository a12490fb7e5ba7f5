import { demo, openBench, show, showSolved, slipwayBeam } from '../../testing/workbench-bed';
import { ChannelPanel } from './channel-panel';
import { SetStep } from './set';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

type Bench = Awaited<ReturnType<typeof openBench>>;
const channel = (bench: Bench, id = 'beam') =>
  bench.session.design()?.channels.find((c) => c.id === id);

describe('the panel of a channel', () => {
  it.each([
    ['Threshold', '412', { threshold: 412 }],
    ['Hysteresis', '25', { hysteresis: 25 }],
    ['Read every', '20 ms', { every: 0.02 }],
    ['Hits in a row', '7', { hits: 7 }],
    ['Misses in a row', '2', { misses: 2 }],
    ['Name', 'Slipway', { name: 'Slipway' }],
    ['Trips', 'above', { trips: 'above' }],
  ])('sets %s to %s', async (label, text, expected) => {
    const bench = await openBench();
    const panel = await show(ChannelPanel, { id: 'beam' });
    await panel.type(label, text);
    expect(channel(bench)).toMatchObject(expected);
  });

  it.each([
    ['Threshold', '1024'],
    ['Threshold', '3.5'],
    ['Hysteresis', '-1'],
    ['Hits in a row', '0'],
    ['Read every', '0'],
  ])('refuses %s %s', async (label, text) => {
    const bench = await openBench();
    const panel = await show(ChannelPanel, { id: 'beam' });
    await panel.type(label, text);
    expect(panel.field(label).getAttribute('aria-invalid')).toBe('true');
    expect(bench.session.canUndo()).toBe(false);
  });

  it('lets a rule hold for a time or until it is switched off', async () => {
    const bench = await openBench();
    const panel = await show(ChannelPanel, { id: 'beam' });
    await panel.type('Hold output for', '2.5');
    await panel.type('On until', 'latch');
    expect(bench.session.design()?.rules[0]).toMatchObject({ hold: 2.5, latch: true });
  });

  it('fires another pin that something is wired to', async () => {
    const design = slipwayBeam();
    design.wires.push({ id: 'w90', from: 'U1.D4', to: 'R2.a' });
    const bench = await openBench(design);
    const panel = await show(ChannelPanel, { id: 'beam' });
    await panel.press('Drive U1.D4 from this channel');
    const made = bench.session.design();
    expect(made?.outputs.at(-1)).toMatchObject({ pin: 'U1.D4', active: 'high' });
    expect(made?.rules.at(-1)).toMatchObject({
      when: { is: 'channel', channel: 'beam' },
      then: [{ do: 'drive', output: made?.outputs.at(-1)?.id }],
    });
    expect(() => panel.find('.add')).toThrow();
    bench.session.undo();
    expect(bench.session.design()).toEqual(design);
  });
});

describe('the step Set', () => {
  it('says how the channel would decide, in counts and volts', async () => {
    await openBench();
    const set = await showSolved(SetStep);
    expect(set.text('.decide')).toMatch(/Trips below 380 = 1\.8\d V/);
    expect(set.text('.decide')).toMatch(/Clears above 440/);
    expect(set.text('.decide')).toMatch(/Must agree 5 in a row = 50\.?0? ms/);
  });

  it('offers no threshold between numbers that name something', async () => {
    await openBench(demo('rigging-store-fob'));
    const set = await showSolved(SetStep);
    expect(set.text('.decide')).toMatch(/nothing lies between two numbers/);
    expect(set.text('.decide')).not.toMatch(/the middle is|Threshold →/);
  });

  it('offers no threshold where nothing that is wanted goes beyond what is quiet', async () => {
    await openBench(demo('creek-gate-watch'));
    const set = await showSolved(SetStep);
    await set.press('Reset');
    expect(set.text('.decide')).toMatch(
      /quiet reading (\d+), wanted reaches \1; no threshold lies/,
    );
    expect(set.text('.decide')).not.toMatch(/the middle is|Threshold →/);
    expect(set.text('.decide')).toMatch(/Room on the quiet side\s*50 counts/);
    expect(set.text('.decide')).toMatch(/wanted side\s*none: 50 counts short of the line/);
  });

  it('says that what is quiet goes beyond the line, and how far', async () => {
    const { channels, ...design } = slipwayBeam();
    await openBench({
      ...design,
      channels: channels.map((c) => ({ ...c, trips: 'above', threshold: 100 })),
    });
    const set = await showSolved(SetStep);
    expect(set.text('.decide')).toMatch(/quiet side\s*none: \d+ counts.* beyond the line/);
  });

  it('puts the threshold in the middle of the room there is', async () => {
    const bench = await openBench();
    const set = await showSolved(SetStep);
    const middle = Number(/the middle is (\d+)/.exec(set.text('.decide'))?.[1]);
    expect(middle).toBeGreaterThan(380);
    await set.press(`Threshold → ${middle}`);
    expect(channel(bench)?.threshold).toBe(middle);
  });

  it('reads another pin, tripping at half scale until told otherwise', async () => {
    const design = slipwayBeam();
    design.wires.push({ id: 'w90', from: 'U1.A3', to: 'B1.e' });
    const bench = await openBench(design);
    const set = await showSolved(SetStep);
    await set.press('Read U1.A3');
    const added = bench.session.design()?.channels.at(-1);
    expect(added).toMatchObject({ pin: 'U1.A3', threshold: 512, trips: 'above' });
    expect(bench.selection.is('channel', added?.id ?? '')).toBe(true);
    await set.press('Beam');
    expect(bench.selection.is('channel', 'beam')).toBe(true);
  });

  it.each([
    [true, 'Choose a pin above to read'],
    [false, 'Wire a sensor to a pin of'],
  ])('shows the way when nothing is read (pin wired: %s)', async (wired, words) => {
    const design = { ...slipwayBeam(), channels: [], rules: [] };
    if (!wired) design.wires = design.wires.filter((w) => ![w.from, w.to].includes('U1.A0'));
    await openBench(design);
    const set = await showSolved(SetStep);
    expect(set.text('.none')).toContain(words);
  });

  it('says why there are no readings', async () => {
    await openBench({ ...slipwayBeam(), scenes: [] });
    const set = await showSolved(SetStep);
    expect(set.text()).toContain('no scene yet. Add one in Rehearse');
  });
});

describe('what can be read', () => {
  it('offers digital pins and readouts, and sets them up in the middle of their range', async () => {
    const bench = await openBench(demo('mooring-boom'));
    for (const id of ['turned', 'latch']) bench.session.edit({ type: 'remove-channel', id });
    const set = await showSolved(SetStep);
    await set.press('Read U1.PD2');
    const last = () => bench.session.design()?.channels.at(-1);
    expect(last()).toMatchObject({ pin: 'U1.PD2', threshold: 50 });
    expect(bench.session.design()?.controller.pins).toContainEqual({
      pin: 'U1.PD2',
      mode: 'input',
    });
    await set.press('Read B3.heading');
    expect(last()).toMatchObject({ pin: 'B3.heading', name: 'heading', threshold: 1800 });
    await set.until(() => bench.view.snapshot()?.counts[last()?.id ?? ''] === 1800);
  });

  it('a readout has counts but no volts', async () => {
    await openBench(demo('mooring-boom'));
    const set = await showSolved(SetStep);
    await set.press('Boom turned');
    expect(set.text()).toMatch(/Trips above 2000 (?!=)/);
  });
});

describe('dragging on the chart', () => {
  const drag = async (from: number, ...to: number[]) => {
    const bench = await openBench();
    const set = await showSolved(SetStep);
    const chart = set.find('yu-chart');
    chart.setPointerCapture = () => undefined;
    const move = (type: string, y: number) => {
      const event = new MouseEvent(type, { bubbles: true });
      Object.defineProperty(event, 'offsetY', { value: 1000 - y });
      chart.dispatchEvent(event);
    };
    move('pointerdown', from);
    to.forEach((y) => move('pointermove', y));
    move('pointerup', to.at(-1) ?? from);
    await set.settle();
    return bench;
  };

  it('moves the threshold and takes the band along, as one step to undo', async () => {
    const bench = await drag(384, 400, 450, 500);
    expect(channel(bench)).toMatchObject({ threshold: 500, hysteresis: 60 });
    bench.session.undo();
    expect(channel(bench)?.threshold).toBe(380);
  });
  it('widens the band at the clearing level, never below nothing', async () => {
    expect(channel(await drag(442, 480))).toMatchObject({ threshold: 380, hysteresis: 100 });
  });
  it('never widens it below nothing', async () => {
    expect(channel(await drag(442, 300))).toMatchObject({ threshold: 380, hysteresis: 0 });
  });
  it('stays on the scale', async () => {
    expect(channel(await drag(380, 5000))?.threshold).toBe(1023);
  });
  it('takes hold of nothing far from a line', async () => {
    expect((await drag(700, 500)).session.canUndo()).toBe(false);
  });
});

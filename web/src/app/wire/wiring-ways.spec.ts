import { TestBed } from '@angular/core/testing';
import { blocks } from '@yurei/core/blocks';
import { applyEdit, type Design } from '@yurei/core/design';
import { demo, openBench, show, slipwayBeam } from '../../testing/workbench-bed';
import { ChannelPanel } from '../set/channel-panel';
import { BlockDialog } from './block-dialog';
import { Blocks } from './blocks';
import { GroupPanel } from './group-panel';
import { PartPanel } from './part-panel';
import { PinPlan } from './pin-plan';
import { SayLine } from './say-line';
import { SeveralPanel } from './several-panel';
import { WirePanel } from './wire-panel';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

type Bench = Awaited<ReturnType<typeof openBench>>;
let bench: Bench;
const start = async (design: Design = slipwayBeam()): Promise<void> => {
  bench = await openBench(design);
};
const now = (): Design => bench.session.design() ?? slipwayBeam();

describe('the line for typed wires', () => {
  const typed = async (words: string) => {
    const line = await show(SayLine);
    await line.type('Type a wire', words);
    return line;
  };
  /** What is offered has come in: the list stands in the page itself then. */
  const opened = () => document.querySelector('body > .p-overlay [role=option]') !== null;
  beforeEach(() => start());

  it('shows what it would join, joins it, and is ready for the next', async () => {
    const line = await typed('A1 to b of R2');
    expect(line.text('#say-wire-note')).toBe('Enter joins U1.A1 and R2.b');
    await line.key(line.field('Type a wire'), 'Enter');
    expect(now().wires.at(-1)).toMatchObject({ from: 'U1.A1', to: 'R2.b' });
    expect(line.field('Type a wire').value).toBe('');
    expect(line.text('#say-wire-note')).toBe('Joined U1.A1 and R2.b.');
  });

  it('puts a resistor in between when one is named, as one step', async () => {
    const line = await typed('A1 to D4 through 4k7');
    await line.key(line.field('Type a wire'), 'Enter');
    expect(now().parts.at(-1)).toMatchObject({ kind: 'resistor', params: { ohms: 4700 } });
    bench.session.undo();
    expect(now()).toEqual(slipwayBeam());
  });

  it.each([
    ['OUT of doorbell to D2', /No part is called/],
    ['5V to GND', /short the supply/],
    ['nonsense', /two ends/],
  ])('keeps “%s” and says why not', async (words, reason) => {
    const line = await typed(words);
    await line.key(line.field('Type a wire'), 'Enter');
    expect(line.text('#say-wire-note')).toMatch(reason);
    expect(line.field('Type a wire').value).toBe(words);
    expect(bench.session.canUndo()).toBe(false);
  });

  it('offers how it goes on; what is picked stands in the line, and the next Enter joins', async () => {
    const line = await typed('b of r2 to a1');
    await line.until(opened);
    const field = line.field('Type a wire');
    const key = (name: string) => line.key(field, name, { code: name });
    await key('ArrowDown');
    await key('Enter');
    expect(field.value).toBe('b of r2 to A1 of U1');
    expect(now()).toEqual(slipwayBeam());
    await key('Enter');
    expect(now().wires.at(-1)).toMatchObject({ from: 'R2.b', to: 'U1.A1' });
  });

  it('Escape folds what is offered, and once more leaves the line', async () => {
    const line = await typed('b of r2 to a1');
    await line.until(opened);
    const field = line.field('Type a wire');
    await line.key(field, 'Escape', { code: 'Escape' });
    await line.until(() => field.getAttribute('aria-expanded') === 'false');
    expect(field.value).toBe('b of r2 to a1');
    await line.key(field, 'Escape', { code: 'Escape' });
    expect(field.value).toBe('');
  });

  const paste = async (text: string) => {
    const line = await show(SayLine);
    const event = new Event('paste', { bubbles: true, cancelable: true });
    Object.assign(event, { clipboardData: { getData: () => text } });
    line.field('Type a wire').dispatchEvent(event);
    await line.settle();
    return line;
  };
  it('takes several pasted lines as one step, or none of them', async () => {
    await paste('A1 to b of R2\n\nA2 to D4\r\n');
    expect(now().wires).toHaveLength(slipwayBeam().wires.length + 2);
    bench.session.undo();
    expect(now()).toEqual(slipwayBeam());
    const line = await paste('A1 to b of R2\n{"format": broken');
    expect(line.text('#say-wire-note')).toMatch(
      /Line 2, “{"format": broken”: .* Nothing was wired/,
    );
    expect(now()).toEqual(slipwayBeam());
  });
});

describe('a block', () => {
  const open = async (id: string, about?: string) => {
    const block = blocks.find((b) => b.id === id);
    if (block) TestBed.inject(Blocks).open.set({ block, about });
    return show(BlockDialog);
  };
  it('says what it would wire before it does, and undoes as one', async () => {
    await start();
    const dialog = await open('led');
    await dialog.until(() => dialog.all('.p-dialog li').length > 0);
    expect(dialog.all('.p-dialog li')[0].textContent).toMatch(/R = \(V − Vf\)\/I/);
    const pin = dialog.field('Shows');
    pin.value = 'U1.D4';
    pin.dispatchEvent(new Event('change'));
    await dialog.settle();
    await dialog.press('Wire it');
    expect(now().parts.filter((p) => p.kind === 'led')).toHaveLength(1);
    expect(TestBed.inject(Blocks).open()).toBeUndefined();
    bench.session.undo();
    expect(now()).toEqual(slipwayBeam());
  });
  it('says what is missing, and wires nothing', async () => {
    await start({ ...slipwayBeam(), parts: [], wires: [], channels: [], outputs: [], rules: [] });
    const dialog = await open('front-end');
    await dialog.until(() => dialog.all('.p-dialog [role="alert"]').length > 0);
    expect(dialog.all('.p-dialog [role="alert"]')[0].textContent).toMatch(/none is chosen/);
    await dialog.press('Cancel');
    expect(bench.session.canUndo()).toBe(false);
  });
});

describe('the pin plan', () => {
  it('shows what does not fit and moves it, wires and all', async () => {
    const pin = { type: 'set-pin', pin: 'U1.D4', mode: 'pull-up', skill: 'interrupt' } as const;
    await start(applyEdit(slipwayBeam(), pin));
    const plan = await show(PinPlan, { open: true });
    await plan.until(() => plan.all('tr.wrong').length === 1);
    expect(plan.all('tr.wrong')[0].textContent).toMatch(/D4.*has no interrupt/s);
    await plan.press('Arrange');
    expect(now().controller.pins.at(-1)).toEqual({
      pin: 'U1.D2',
      mode: 'pull-up',
      skill: 'interrupt',
    });
    await plan.until(() => plan.all('tr.wrong').length === 0);
  });
});

describe('changing what is there', () => {
  it('records colour, length and copper of a wire, and splits it', async () => {
    await start();
    const panel = await show(WirePanel, { id: 'w7' });
    await panel.type('Colour', 'green');
    await panel.type('Copper', '0.5');
    await panel.type('Length', '2.5');
    expect(now().wires.find((w) => w.id === 'w7')).toMatchObject({
      colour: 'green',
      length: 2.5,
      gauge: 0.5e-6,
    });
    // ρ·l/A of 2.5 m of 0.5 mm²: 17.2 nΩm · 2.5 / 0.5e-6 = 86 mΩ.
    expect(panel.text('.readings')).toMatch(/8\d\.\d mΩ/);
    await panel.press('Put a resistor in');
    expect(now().parts.at(-1)).toMatchObject({ kind: 'resistor', name: 'Series resistor' });
    expect(bench.selection.is('part', now().parts.at(-1)?.id ?? '')).toBe(true);
  });

  it('puts another kind in a part’s place', async () => {
    await start();
    const panel = await show(PartPanel, { id: 'Q1' });
    await panel.type('Kind', 'logic-mosfet');
    expect(now().parts.find((p) => p.id === 'Q1')?.kind).toBe('logic-mosfet');
    expect(now().wires).toHaveLength(slipwayBeam().wires.length);
  });

  it('duplicates a channel and picks the copy', async () => {
    await start();
    const panel = await show(ChannelPanel, { id: 'beam' });
    await panel.press('Duplicate with its parts');
    expect(now().channels).toHaveLength(2);
    expect(bench.selection.is('channel', now().channels[1].id)).toBe(true);
  });

  it('groups parts picked with Shift, opens the group, and dissolves it', async () => {
    await start(demo('slipway-beam'));
    for (const id of ['R2', 'Q1', 'D1']) bench.selection.toggle(id);
    const several = await show(SeveralPanel);
    expect(several.text('h2')).toBe('3 parts');
    await several.press('Group as module');
    const [group] = now().groups;
    expect(group).toMatchObject({ parts: ['R2', 'Q1', 'D1'], collapsed: true });
    expect(bench.selection.is('group', group.id)).toBe(true);
    TestBed.resetTestingModule();
    await start({ ...demo('slipway-beam'), groups: [group] });
    const panel = await show(GroupPanel, { id: group.id });
    await panel.press('Show its parts');
    expect(now().groups[0].collapsed).toBe(false);
    await panel.press('Dissolve');
    expect(now().groups).toEqual([]);
  });

  it('lets a part join and leave what is picked', async () => {
    await start();
    bench.selection.toggle('R1');
    bench.selection.toggle('R2');
    bench.selection.toggle('R1');
    expect(bench.selection.parts()).toEqual(['R2']);
    bench.selection.toggle('R2');
    expect(bench.selection.picked()).toBeUndefined();
  });
});

import { applyEdit } from '@yurei/core/design';
import type { Proof } from '@yurei/core/diagnosis';
import { duplicateChannel } from '@yurei/core/wiring';
import { openBench, showSolved, slipwayBeam, type Screen } from '../../testing/workbench-bed';
import type { OfferedRoot } from '../data/diagnosis-view';
import { FindingCard } from '../shell/finding-card';
import { WireStep } from './wire';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

type Bench = Awaited<ReturnType<typeof openBench>>;
let bench: Bench;
let step: Screen<WireStep>;

describe('the step Wire', () => {
  beforeEach(async () => {
    const twice = applyEdit(slipwayBeam(), duplicateChannel(slipwayBeam(), 'beam'));
    bench = await openBench(twice);
    step = await showSolved(WireStep);
    await step.until(() => step.all('.card').length === 12);
  });
  const scale = (): number =>
    Number(
      /scale\(([\d.]+)\)/.exec(step.find('.picture > g').getAttribute('transform') ?? '')?.[1],
    );

  it.each([
    ['a', 'yu-part-tray input'],
    ['s', 'yu-block-tray input'],
  ])('opens on %s', async (key, css) => {
    await step.key(document.body, key);
    await step.until(() => step.all(css).length === 1);
    // While a list is open, letters belong to it.
    await step.key(document.body, key === 'a' ? 's' : 'a');
    expect(step.all('yu-part-tray input, yu-block-tray input')).toHaveLength(1);
  });

  it('puts the cursor into the line for wires on w, and then letters are text', async () => {
    await step.key(document.body, 'w');
    expect(document.activeElement?.id).toBe('say-wire');
    await step.key(document.activeElement ?? document.body, 'a');
    expect(step.all('yu-part-tray input')).toHaveLength(0);
  });

  it('draws channels wired alike once when asked to', async () => {
    await step.press('Fold alike channels');
    await step.until(() => step.all('.card').length === 10);
    expect(step.all('.times').map((t) => t.textContent?.trim())).toEqual(['× 2', '× 2']);
    await step.press('Show each channel');
    await step.until(() => step.all('.card').length === 12);
  });

  it('zooms by keys', async () => {
    const svg = step.find<SVGSVGElement>('svg.picture');
    svg.getBoundingClientRect = () => ({ width: 900, height: 500, left: 0, top: 0 }) as DOMRect;
    await step.key(document.body, '0');
    const whole = scale();
    expect(whole).toBeGreaterThan(0);
    await step.key(document.body, '+');
    expect(scale()).toBeCloseTo(1.3 * whole, 6);
    await step.key(document.body, '-');
    expect(scale()).toBeCloseTo(whole, 6);
  });

  it('shows amps instead of volts', async () => {
    await step.press('amps');
    await step.until(() =>
      step.all('.wire .volts').every((v) => /A$|–/.test(v.textContent?.trim() ?? '')),
    );
  });

  it('opens a collapsed group by a double click', async () => {
    const group = { id: 'g1', name: 'Switch', parts: ['R2', 'Q1'], collapsed: true };
    bench.session.edit({ type: 'put-group', group });
    await step.until(() => step.all('[data-part="g1"]').length === 1);
    expect(step.all('[data-part="Q1"]')).toHaveLength(0);
    await step.click('[data-part="g1"] .body');
    expect(bench.selection.is('group', 'g1')).toBe(true);
    step
      .find<SVGElement>('[data-part="g1"] .body')
      .dispatchEvent(new MouseEvent('dblclick', { bubbles: true }));
    await step.until(() => step.all('[data-part="Q1"]').length === 1);
    expect(bench.session.design()?.groups[0].collapsed).toBe(false);
  });

  it('removes several picked parts at once, and brings all back', async () => {
    const before = bench.session.design();
    for (const id of ['R1', 'R2']) {
      step
        .find<SVGElement>(`[data-part="${id}"] .body`)
        .dispatchEvent(new MouseEvent('click', { bubbles: true, shiftKey: true }));
    }
    await step.settle();
    expect(bench.selection.parts()).toEqual(['R1', 'R2']);
    const frame = { go: jest.fn(), openCommands: jest.fn(), openHelp: jest.fn() };
    const event = new KeyboardEvent('keydown', { key: 'Delete' });
    Object.defineProperty(event, 'target', { value: document.body });
    bench.keys.handle(event, frame);
    expect(bench.session.design()?.parts).toHaveLength((before?.parts.length ?? 0) - 2);
    bench.session.undo();
    expect(bench.session.design()).toEqual(before);
  });
});

describe('a finding', () => {
  const finding = {
    id: 'x:R1',
    code: 'x',
    severity: 'error',
    consequence: 'burns',
    concern: 'wiring',
    title: 'R1 is wrong',
    reason: 'Because.',
    bench: 'It smokes.',
    about: ['R1'],
  } as const;
  const show = async (more: object = {}, root?: OfferedRoot) => {
    bench = await openBench();
    return showSolved(FindingCard, { finding: { ...finding, ...more }, root });
  };

  const cure = {
    kind: 'mistake' as const,
    says: 'R1 of 10 kΩ is ten times too large',
    label: 'Mend R1',
    about: ['R1'],
    edit: { type: 'set-param', id: 'R1', param: 'ohms', value: 330 } as const,
    clears: 1,
    meter: 'at rest, a meter at R1.a shows 1 V; it should show 3 V',
  };
  const asRoot = (proof?: Proof): OfferedRoot => ({
    finding: { ...finding, about: [...finding.about] },
    effects: [{ ...finding, about: ['H1'], id: 'other', title: 'H1 is dark' }],
    cures: [{ ...cure, proof }],
  });

  it('says what happens on the bench, leads to its place, and mends it', async () => {
    const card = await show({}, asRoot({ better: [], worse: [], reveals: [], same: 2 }));
    expect(card.text()).toMatch(/will burn R1 is wrong Because\. On the bench: It smokes\./);
    expect(card.text()).toMatch(/Likely: R1 of 10 kΩ is ten times too large\. To be sure: at rest/);
    expect(card.text()).toMatch(/One more follows from it H1 is dark/);
    await card.press('R1 is wrong');
    expect(bench.selection.is('part', 'R1')).toBe(true);
    await card.press('Mend R1');
    expect(bench.session.design()?.parts.find((p) => p.id === 'R1')?.params['ohms']).toBe(330);
  });

  it('offers nothing that has not been tried in every scene', async () => {
    const card = await show({}, asRoot());
    expect(card.find('yu-offer-line button').hasAttribute('disabled')).toBe(true);
    expect(card.text()).toContain('Trying it in every scene…');
  });

  it('without a place or a fix has neither button', async () => {
    const card = await show({ about: ['design'], severity: 'safety' });
    expect(card.all('button')).toHaveLength(0);
    expect(card.text()).not.toMatch(/On the bench/);
  });
});

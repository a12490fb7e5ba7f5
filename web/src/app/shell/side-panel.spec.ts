import { openBench, showSolved, slipwayBeam } from '../../testing/workbench-bed';
import { SidePanel } from './side-panel';

/** The demo with the diode taken out, which the sounder's rule must find. */
const without = (part: string) => {
  const design = slipwayBeam();
  design.parts = design.parts.filter((p) => p.id !== part);
  design.wires = design.wires.filter((w) => ![w.from, w.to].some((e) => e.startsWith(`${part}.`)));
  return design;
};

it('lists every finding, and only those about what is picked', async () => {
  const bench = await openBench(without('D1'));
  const panel = await showSolved(SidePanel);
  await panel.until(() => bench.view.findings().length > 0);
  expect(panel.text('.heading')).toBe('all findings');
  expect(panel.all('.finding')).toHaveLength(bench.view.findings().length);
  bench.selection.pick('part', 'P1');
  await panel.settle();
  const about = bench.view.findings().filter((f) => f.about.includes('P1'));
  expect(panel.all('.finding')).toHaveLength(about.length);
  expect(about.length).toBeGreaterThan(0);
  expect(about.length).toBeLessThan(bench.view.findings().length);
});

it('mends what a finding offers to mend, as one step to undo', async () => {
  const bench = await openBench(without('D1'));
  const panel = await showSolved(SidePanel);
  await panel.until(() => bench.view.findings().some((f) => f.fix));
  const finding = bench.view.findings().find((f) => f.fix);
  const before = bench.session.design();
  await panel.press(finding?.fix?.label ?? '');
  await panel.until(() => !bench.view.findings().some((f) => f.id === finding?.id));
  bench.session.undo();
  expect(bench.session.design()).toEqual(before);
});

it.each([
  ['part', 'R1', 'yu-part-panel'],
  ['wire', 'w7', 'yu-wire-panel'],
  ['channel', 'beam', 'yu-channel-panel'],
  ['happening', 'walker', 'yu-happening-panel'],
] as const)('shows the panel of a %s', async (type, id, tag) => {
  const bench = await openBench();
  const panel = await showSolved(SidePanel);
  bench.selection.pick(type, id);
  await panel.settle();
  expect(panel.find(tag)).toBeTruthy();
});

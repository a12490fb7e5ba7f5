import { demo, openBench, showSolved } from '../../testing/workbench-bed';
import { EventList } from '../rehearse/event-list';
import { SitePlan } from './site-plan';
import { textWidth } from '@yurei/core/picture';
import { drawn, onPlan } from './site-drawing';
import { RehearseStep } from '../rehearse/rehearse';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

describe('the plan', () => {
  it('shows sensors with what they see, and ways that the arrow keys move', async () => {
    const bench = await openBench(demo('loft-stairs'));
    const plan = await showSolved(SitePlan);
    expect(plan.all('.stand').length).toBe(5);
    expect(plan.all('.way').length).toBe(3);
    await plan.key(plan.find('[data-key="way h3 1"]'), 'ArrowLeft');
    expect(bench.session.design()?.scenes[0].happenings[2].path?.[1]).toEqual({ x: 0.5, y: 4 });
    await plan.key(plan.find('[data-key="part B1"]'), ',');
    expect(bench.session.design()?.parts.find((p) => p.id === 'B1')?.place?.facing).toBe(-175);
  });
  it.each([
    [10_000, '2 km'],
    [300, '50 m'],
    [8, '2 m'],
    [1, '200 mm'],
  ])('has a ruler that can be read on ground %d m wide', async (side, says) => {
    await openBench({
      ...demo('loft-stairs'),
      parts: [],
      scenes: [],
      plan: { width: side, depth: side, walls: [] },
    });
    const plan = await showSolved(SitePlan);
    expect(plan.text('.ruler')).toBe(says);
    const [, pixels] = /H(\S+)V/.exec(plan.find('.ruler path').getAttribute('d') ?? '') ?? [];
    expect(Number(pixels)).toBeGreaterThanOrEqual(50);
    expect(Number(pixels)).toBeLessThan(125);
  });
  it('a place that is drawn and read back is the same, and never off the plan', () => {
    const [scale, ground] = [
      { k: 50, depth: 4 },
      { width: 6, depth: 4, walls: [] },
    ];
    expect(onPlan(scale, drawn(scale, { x: 1.25, y: 3.5 }), ground)).toEqual({ x: 1.25, y: 3.5 });
    expect(onPlan(scale, { x: -10, y: 900 }, ground)).toEqual({ x: 0, y: 0 });
  });
});

it('events say what brought them about, and take the time there', async () => {
  const bench = await openBench(demo('loft-stairs'));
  const list = await showSolved(EventList);
  const sounding = list.all('tr').find((row) => row.textContent.includes('Sounder sounding'));
  sounding?.querySelector('button')?.click();
  await list.settle();
  expect(bench.view.time()).toBeGreaterThan(20);
  const causes = list.all('tr.cause').map((row) => row.textContent);
  expect(causes.join('\n')).toMatch(
    /Lower beam yes[^]*Upper beam yes[^]*Guard: Entering[^]*Guard: Alarm[^]*r3/,
  );
});

it('a miss is explained, a cure is done, and it is noticed', async () => {
  const design = demo('loft-stairs');
  for (const channel of design.channels.slice(0, 2)) channel.hits = 60;
  design.scenes[0].happenings = [design.scenes[0].happenings[2]];
  const bench = await openBench(design);
  const step = await showSolved(RehearseStep);
  await step.press('Why not?');
  await step.until(() => step.all('yu-why-card .remedy').length > 0);
  expect(step.text('yu-why-card')).toMatch(/It was too short.*in a row and needs 60/);
  await step.press('Do it');
  expect(bench.session.design()?.channels.some((c) => c.hits < 60)).toBe(true);
});

it('cuts a name that has no room on the plan, and tells it whole where the pointer rests', async () => {
  const name = 'The room in which everybody hangs whatever has become wet on the way home';
  const design = demo('loft-stairs');
  const { plan } = design;
  const outline = [
    { x: 0, y: 0 },
    { x: plan.width, y: 0 },
    { x: plan.width, y: plan.depth },
  ];
  await openBench({ ...design, plan: { ...plan, rooms: [{ name, outline }] } });
  const shown = await showSolved(SitePlan);
  const text = shown.find('text.room');
  expect(text.querySelector('title')?.textContent).toBe(name);
  const written = text.lastChild?.textContent?.trim() ?? '';
  expect(written).toMatch(/^The room in .*…$/);
  const frame = Number(shown.find('rect.ground').getAttribute('width'));
  expect(textWidth(written, 12, 'regular')).toBeLessThanOrEqual(Math.max(120, 0.8 * frame));
});

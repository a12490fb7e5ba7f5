import { openBench, show, type Screen } from '../../testing/workbench-bed';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Workbench } from './workbench';

const store = 'yurei.panes';

async function open(kept?: string) {
  await openBench();
  if (kept) localStorage.setItem(store, kept);
  const screen = await show(Workbench, { id: 'd1' });
  // The workbench has services of its own.
  const own = screen.fixture.debugElement.injector;
  const [selection, session] = [own.get(Selection), own.get(DesignSession)];
  await screen.until(() => screen.all('yu-probe-strip .row').length > 0 || kept !== undefined);
  return { bench: { selection, session }, screen };
}
const side = (screen: Screen<Workbench>) => screen.all('aside').length;
const divider = (screen: Screen<Workbench>, name: string) =>
  screen.find(`yu-divider[aria-label^="${name}"]`);

it('the side panel comes with what is picked and goes with it, or opens for its findings', async () => {
  const { bench, screen } = await open();
  expect(side(screen)).toBe(0);
  bench.selection.pick('part', 'R1');
  await screen.until(() => side(screen) === 1);
  bench.selection.clear();
  await screen.until(() => side(screen) === 0);
  await screen.click('button.findings');
  await screen.until(() => side(screen) === 1);
  expect(screen.text('aside .heading')).toBe('all findings');
  await screen.click('[aria-label="Close the side panel"]');
  await screen.until(() => side(screen) === 0);
});

it('says in the top strip how many findings there are, and how bad', async () => {
  const { bench, screen } = await open();
  expect(screen.text('button.findings')).toBe('No findings');
  bench.session.edit({ type: 'remove-part', id: 'D1' });
  await screen.until(() => screen.text('button.findings') === '1 finding');
  expect(screen.find('button.findings').getAttribute('data-worst')).toBe('error');
});

it('panes are sized by keys within their limits, and stay so', async () => {
  const { bench, screen } = await open();
  bench.selection.pick('part', 'R1');
  await screen.until(() => side(screen) === 1);
  const width = () => screen.find<HTMLElement>('aside').style.width;
  await screen.key(divider(screen, 'Width'), 'ArrowLeft');
  expect(width()).toBe('316px');
  await screen.key(divider(screen, 'Width'), 'Home');
  expect(width()).toBe('232px');
  await screen.key(divider(screen, 'Height'), 'End');
  expect(JSON.parse(localStorage.getItem(store) ?? '')).toEqual({
    side: 232,
    strip: 520,
    stripOpen: true,
  });
});

it('a pane is dragged by its bar', async () => {
  const { bench, screen } = await open();
  bench.selection.pick('part', 'R1');
  await screen.until(() => side(screen) === 1);
  const bar = divider(screen, 'Width');
  bar.setPointerCapture = () => undefined;
  const at = (type: string, clientX: number, buttons: number) =>
    bar.dispatchEvent(Object.assign(new Event(type), { clientX, clientY: 0, buttons }));
  at('pointerdown', 900, 1);
  at('pointermove', 860, 1);
  await screen.settle();
  expect(screen.find<HTMLElement>('aside').style.width).toBe('340px');
  at('pointermove', 700, 0);
  await screen.settle();
  expect(screen.find<HTMLElement>('aside').style.width).toBe('340px');
});

it('the strip folds down to its player', async () => {
  const { screen } = await open();
  expect(screen.all('yu-probe-strip .row').length).toBeGreaterThan(0);
  await screen.click('[aria-label="Fold the strip"]');
  expect(screen.all('yu-probe-strip .row')).toHaveLength(0);
  expect(screen.all('yu-probe-strip .control')).toHaveLength(1);
  await screen.click('[aria-label="Show the strip"]');
  expect(screen.all('yu-probe-strip .row').length).toBeGreaterThan(0);
});

it.each(['{', '{"side":9999,"strip":"x"}', '[]'])(
  'what is kept as %s does no harm',
  async (kept) => {
    const { bench, screen } = await open(kept);
    bench.selection.pick('part', 'R1');
    await screen.until(() => side(screen) === 1);
    expect(screen.find<HTMLElement>('aside').style.width).toBe('300px');
  },
);

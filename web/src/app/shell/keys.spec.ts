import { openBench } from '../../testing/workbench-bed';

type Bench = Awaited<ReturnType<typeof openBench>>;

const frame = () => ({ go: jest.fn(), openCommands: jest.fn(), openHelp: jest.fn() });

/** Presses a key on an element and says whether it was taken. */
function press(bench: Bench, key: string, more: KeyboardEventInit = {}, on = document.body) {
  const does = frame();
  let taken = false;
  const listen = (event: KeyboardEvent): void => {
    bench.keys.handle(event, does);
    taken = event.defaultPrevented;
  };
  on.addEventListener('keydown', listen);
  on.dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true, ...more }));
  on.removeEventListener('keydown', listen);
  return { ...does, taken };
}

let bench: Bench;
beforeEach(async () => {
  bench = await openBench();
});

it.each([
  ['1', 'plan'],
  ['2', 'wire'],
  ['3', 'set'],
  ['4', 'act'],
  ['5', 'rehearse'],
  ['8', 'code'],
  ['9', 'log'],
])('%s goes to %s', (key, path) => {
  expect(press(bench, key).go).toHaveBeenCalledWith(path);
});

it.each(['6', '7', '0', 'x'])('%s goes nowhere and is left to the browser', (key) => {
  const { go, taken } = press(bench, key);
  expect(go).not.toHaveBeenCalled();
  expect(taken).toBe(false);
});

it('opens the command box and the list of keys', () => {
  expect(press(bench, 'k', { ctrlKey: true }).openCommands).toHaveBeenCalled();
  expect(press(bench, 'K', { metaKey: true }).openCommands).toHaveBeenCalled();
  expect(press(bench, '?').openHelp).toHaveBeenCalled();
});

it.each([{ key: 'z', shiftKey: true }, { key: 'Z', shiftKey: true }, { key: 'y' }])(
  'undoes, and redoes with %j',
  (redo) => {
    bench.session.edit({ type: 'remove-wire', id: 'w8' });
    const wires = () => bench.session.design()?.wires.some((w) => w.id === 'w8');
    press(bench, 'z', { ctrlKey: true });
    expect(wires()).toBe(true);
    press(bench, redo.key, { ctrlKey: true, shiftKey: redo.shiftKey ?? false });
    expect(wires()).toBe(false);
  },
);

it.each([
  ['part', 'R2', 'parts'],
  ['wire', 'w8', 'wires'],
] as const)('removes the selected %s', (type, id, list) => {
  bench.selection.pick(type, id);
  press(bench, 'Delete');
  expect(bench.session.design()?.[list].some((item) => item.id === id)).toBe(false);
  expect(bench.selection.picked()).toBeUndefined();
});

it('removes nothing that is not drawn', () => {
  bench.selection.pick('channel', 'beam');
  press(bench, 'Backspace');
  expect(bench.session.canUndo()).toBe(false);
  expect(bench.selection.is('channel', 'beam')).toBe(true);
});

it('gives up the wire in the making first, the selection after', () => {
  bench.selection.pick('part', 'R1');
  bench.connecting.touch('R1.a');
  press(bench, 'Escape');
  expect(bench.connecting.from()).toBe('');
  expect(bench.selection.is('part', 'R1')).toBe(true);
  press(bench, 'Escape');
  expect(bench.selection.picked()).toBeUndefined();
});

it('pins the net of the selected wire or part, and takes it off again', () => {
  const names = () => bench.probes.all().map((p) => p.key);
  const before = names().length;
  bench.selection.pick('wire', 'w7');
  press(bench, 'p');
  bench.selection.pick('part', 'R3');
  press(bench, 'P');
  expect(names().length).toBe(before + 2);
  bench.selection.pick('wire', 'w7');
  press(bench, 'p');
  expect(names().length).toBe(before + 1);
});

it('leaves what is typed into a field alone, but not Ctrl K', () => {
  const input = document.createElement('input');
  bench.selection.pick('part', 'R1');
  expect(press(bench, 'Delete', {}, input).taken).toBe(false);
  expect(press(bench, '3', {}, input).go).not.toHaveBeenCalled();
  expect(press(bench, 'z', { ctrlKey: true }, input).taken).toBe(false);
  expect(press(bench, 'k', { ctrlKey: true }, input).openCommands).toHaveBeenCalled();
  expect(bench.session.design()?.parts.some((p) => p.id === 'R1')).toBe(true);
});

it('leaves Space to a button, and moves the time cursor with brackets', () => {
  const toggle = jest.spyOn(bench.player, 'toggle');
  expect(press(bench, ' ', {}, document.createElement('button')).taken).toBe(false);
  expect(toggle).not.toHaveBeenCalled();
  press(bench, ' ');
  expect(toggle).toHaveBeenCalledTimes(1);
  press(bench, ']');
  press(bench, ']');
  press(bench, '[');
  expect(bench.view.time()).toBeCloseTo(0.1);
});

describe('in a field', () => {
  let field: HTMLInputElement;
  beforeEach(() => {
    field = document.body.appendChild(document.createElement('input'));
    field.value = 'Beam';
    field.focus();
    bench.selection.pick('part', 'R1');
  });
  afterEach(() => field.remove());

  /** As a browser does it: it is told before, then the field is changed. */
  const type = (text: string) => {
    const event = new Event('beforeinput');
    Object.defineProperty(event, 'target', { value: field });
    bench.keys.typing.begin(event);
    field.value = text;
  };

  it('Escape leaves it; until then its keys are its own', () => {
    press(bench, 'Delete', {}, field);
    press(bench, 'Escape', {}, field);
    expect(document.activeElement).toBe(document.body);
    expect(bench.selection.is('part', 'R1')).toBe(true);
  });

  it('what was typed and not taken is given back, and the field is told', () => {
    const heard: string[] = [];
    field.addEventListener('input', () => heard.push(field.value));
    ['Bea', 'Be', 'B'].forEach(type);
    press(bench, 'Escape', {}, field);
    expect([field.value, heard]).toEqual(['Beam', ['Beam']]);
  });

  it('what was taken stays', () => {
    type('Lamp');
    bench.keys.typing.end();
    press(bench, 'Escape', {}, field);
    expect(field.value).toBe('Lamp');
  });
});

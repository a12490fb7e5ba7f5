import { Router } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { openBench, show, type Screen } from '../../testing/workbench-bed';
import type { Finding } from '@yurei/core/check';
import { Panes } from '../data/panes';
import { CommandBox } from './command-box';

type Bench = Awaited<ReturnType<typeof openBench>>;
let bench: Bench;
let box: Screen<CommandBox>;
let went: jest.SpyInstance;

beforeEach(async () => {
  bench = await openBench();
  box = await show(CommandBox, { open: true });
  went = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
});

const input = () => box.find<HTMLInputElement>('input[role=combobox]');
const listed = () => box.all('li[role=option]').map((li) => li.textContent?.trim() ?? '');

async function search(text: string): Promise<void> {
  input().value = text;
  input().dispatchEvent(new Event('input'));
  await box.settle();
}

it.each([
  ['sounder', /^P1/],
  ['rehearse', /^Rehearse/],
  ['undo', /^Undo/],
  ['add resistor', /^Add resistor/],
  ['R1.a U1.A1', /^Join R1\.a and U1\.A1/],
  ['r1.A to u1.a1', /^Join R1\.a and U1\.A1/],
  ['12 v adapter', /^G1/],
  ['hysteresis', /^hysteresis.*clears/],
  ['how a verdict is given', /^How a verdict is given/],
  ['dark colours', /^By night: dark colours/],
])('finds for “%s”', async (words, first) => {
  await search(words);
  expect(listed()[0]).toMatch(first);
});

it('finds what is wrong, and shows what it is about', async () => {
  const finding = {
    id: 'x',
    code: 'x',
    title: 'Load resistor is too hot',
    severity: 'error',
    consequence: 'burns',
    concern: 'survives',
    place: 'R1',
    number: '1 W',
    because: '',
    about: ['n1', 'R1'],
    bench: '',
  } as unknown as Finding;
  // Whatever is judged from now on; a judgement that is still under way does not put it aside.
  bench.workers.quick.judge.mockResolvedValue({ findings: [finding], answers: [] });
  bench.session.edit({ type: 'remove-wire', id: 'w8' });
  await box.until(() => bench.view.findings()[0]?.id === 'x');
  await search('too hot');
  expect(listed()[0]).toMatch(/^Load resistor is too hot finding, error/);
  await box.key(input(), 'Enter');
  expect(bench.selection.is('part', 'R1')).toBe(true);
  expect(TestBed.inject(Panes).sideOpen()).toBe(true);
});

it('asks for help on what is a word or a page', async () => {
  const asked = jest.fn();
  box.fixture.componentInstance.help.subscribe(asked);
  await search('hysteresis');
  await box.key(input(), 'Enter');
  expect(asked).toHaveBeenCalledWith('words');
});

it('joins two terminals', async () => {
  await search('R1.a U1.A1');
  await box.key(input(), 'Enter');
  expect(bench.session.design()?.wires.at(-1)).toMatchObject({ from: 'R1.a', to: 'U1.A1' });
});

it('takes what was typed even when Enter follows before anything is redrawn', async () => {
  input().value = 'R1.a U1.A1';
  input().dispatchEvent(new Event('input'));
  await box.key(input(), 'Enter');
  expect(bench.session.design()?.wires.at(-1)).toMatchObject({ from: 'R1.a', to: 'U1.A1' });
});

it.each([
  ['R1.a X9.z', /No part is called “x9”/],
  ['U1.5V G1.minus', /short the supply/],
])('refuses %s and says why', async (words, reason) => {
  await search(words);
  await box.key(input(), 'Enter');
  expect(bench.connecting.refusal()).toMatch(reason);
  expect(bench.session.canUndo()).toBe(false);
});

it('adds a part with its default values, selects it and goes to Wire', async () => {
  await search('add rectifier');
  await box.key(input(), 'Enter');
  expect(bench.session.design()?.parts.at(-1)).toMatchObject({ id: 'D2', kind: 'rectifier-diode' });
  expect(bench.selection.is('part', 'D2')).toBe(true);
  expect(went).toHaveBeenCalledWith(['/design', 'd1', 'wire']);
});

it('is walked by arrow keys, round at both ends', async () => {
  await search('re');
  const chosen = () =>
    box.all('li[role=option]').findIndex((li) => li.getAttribute('aria-selected') === 'true');
  const count = listed().length;
  expect([count > 3, chosen()]).toEqual([true, 0]);
  await box.key(input(), 'ArrowUp');
  expect(chosen()).toBe(count - 1);
  await box.key(input(), 'ArrowDown');
  await box.key(input(), 'ArrowDown');
  expect(chosen()).toBe(1);
  await box.key(input(), 'PageDown');
  expect(chosen()).toBe(9);
  await box.key(input(), 'PageUp');
  expect(chosen()).toBe(1);
  expect(input().getAttribute('aria-activedescendant')).toBe(box.all('li[role=option]')[1].id);
});

it('says so when nothing is called that, and then Enter does nothing', async () => {
  await search('quantum harmonizer');
  expect(box.text('p[role=status]')).toBe('Nothing here is called “quantum harmonizer”.');
  expect(input().getAttribute('aria-activedescendant')).toBeNull();
  await box.key(input(), 'Enter');
  await box.key(input(), 'ArrowDown');
  expect(bench.session.canUndo()).toBe(false);
});

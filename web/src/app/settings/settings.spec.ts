import { TestBed } from '@angular/core/testing';
import { formatQuantity, manner, plainManner, writeIn } from '@yurei/core/quantity';
import { Screen } from '../../testing/workbench-bed';
import { keptManner, useKeptManner } from './number-manner';
import { SettingsDialog } from './settings-dialog';

const speak = (language: string) =>
  jest.spyOn(navigator, 'language', 'get').mockReturnValue(language);

afterEach(() => {
  jest.restoreAllMocks();
  localStorage.clear();
  writeIn(plainManner);
});

it.each([
  ['en-GB', '.'],
  ['de-DE', ','],
  ['fr-CA', ','],
])('writes decimals as they are written in %s', (language, decimal) => {
  speak(language);
  expect(keptManner()).toEqual({ ...plainManner, decimal });
});

it.each(['{', '[]', 'null', '7', '{"decimal":";","temperature":"K","length":3}'])(
  'does not heed %s, which makes no sense',
  (kept) => {
    localStorage.setItem('yurei.numbers', kept);
    expect(keptManner()).toEqual(plainManner);
  },
);

async function open() {
  const fixture = TestBed.createComponent(SettingsDialog);
  fixture.componentRef.setInput('open', true);
  const screen = new Screen(fixture);
  const asked = jest.fn();
  fixture.componentInstance.changed.subscribe(asked);
  await screen.settle();
  return { screen, asked };
}

it('keeps what is chosen and asks to write everything anew', async () => {
  const { screen, asked } = await open();
  await screen.press('77 °F');
  await screen.press('ft, in');
  expect(asked).toHaveBeenCalledTimes(2);
  // As at the next start.
  useKeptManner();
  expect(manner()).toEqual({ decimal: '.', temperature: '°F', length: 'inch' });
  expect(formatQuantity(25, '°C')).toBe('77.0\u00a0°F');
});

it('says so where there is no room to keep it', async () => {
  const { screen, asked } = await open();
  jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  await screen.press('4,7 kΩ');
  expect(asked).not.toHaveBeenCalled();
  expect(screen.text('[role=alert]')).toMatch(/no room/);
});

import { TestBed } from '@angular/core/testing';
import { kindOf } from '@yurei/core/catalog';
import { ValueField } from './value-field';

const ohms = kindOf({ kind: 'resistor' }).params[0];

function field() {
  const fixture = TestBed.createComponent(ValueField);
  fixture.componentRef.setInput('param', ohms);
  fixture.componentRef.setInput('value', 10e3);
  const emitted: number[] = [];
  fixture.componentInstance.changed.subscribe((v) => emitted.push(v));
  fixture.detectChanges();
  const host: HTMLElement = fixture.nativeElement;
  const input = host.querySelector('input') as HTMLInputElement;
  const type = async (text: string, end: Event = new Event('change')): Promise<string> => {
    input.value = text;
    input.dispatchEvent(new Event('input'));
    input.dispatchEvent(end);
    await fixture.whenStable();
    return host.querySelector('.note')?.textContent?.trim() ?? '';
  };
  return { input, type, emitted };
}

it.each(['4k7', '4.7k', '4700', '4,7 k'])('takes %s', async (text) => {
  const { type, emitted } = field();
  expect(await type(text)).toBe('');
  expect(emitted).toEqual([4700]);
});

it('refuses 4.7 bananas in place and keeps the value', async () => {
  const { input, type, emitted } = field();
  expect(await type('4.7 bananas')).toMatch(/bananas.*4k7/);
  expect(input.getAttribute('aria-invalid')).toBe('true');
  expect(emitted).toEqual([]);
  await type('4.7 bananas', new KeyboardEvent('keydown', { key: 'Escape' }));
  expect(input.value.replace(/\u00a0/g, ' ')).toBe('10 kΩ');
});

it('takes a doubtful value but says so', async () => {
  const { type, emitted } = field();
  expect(await type('10M')).toMatch(/outside the usual.*Was 10.kΩ meant/);
  expect(emitted).toEqual([10e6]);
});

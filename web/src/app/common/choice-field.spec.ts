import { show } from '../../testing/workbench-bed';
import { ChoiceField } from './choice-field';

const choices = ['a of B1', 'b of B1', 'OUT of U1', 'OUT of U2'].map((label, i) => ({
  value: `v${i}`,
  label,
}));
const codes: Readonly<Record<string, string>> = { ' ': 'Space', Enter: 'Enter', Tab: 'Tab' };

/** Presses keys one right after the other, as from a fast hand: nothing else is done between them. */
async function choose(...keys: string[]): Promise<string[]> {
  const field = await show(ChoiceField, { label: 'Signal', choices, value: 'v0' });
  const chosen: string[] = [];
  field.fixture.componentInstance.changed.subscribe((value) => chosen.push(value));
  const list = field.find('[role=combobox]');
  list.focus();
  for (const key of keys) {
    const code = codes[key] ?? `Key${key.toUpperCase()}`;
    list.dispatchEvent(
      new KeyboardEvent('keydown', { key, code, bubbles: true, cancelable: true }),
    );
  }
  await field.settle();
  return chosen;
}

it.each([
  ['B of B1', 'Enter', ['v1']],
  ['out of u2', 'Enter', ['v3']],
  ['OUT of U2', 'Tab', ['v3']],
  ['o', 'Enter', ['v2']],
  ['zz', 'Enter', []],
])('%s and %s choose %j', async (typed, end, chosen) => {
  expect(await choose(...typed, end)).toEqual(chosen);
});

it('a space by itself opens the list and takes what is chosen there', async () => {
  expect(await choose(' ', ' ')).toEqual([]);
});

import { topics } from '@yurei/core/help';
import { openBench, show } from '../../testing/workbench-bed';
import { ChoiceField } from './choice-field';
import { HelpHint } from './help-hint';

it.each(topics.map((t) => [t.id, t] as const))('opens the page on %s', async (id, topic) => {
  await openBench();
  const hint = await show(HelpHint, { on: id });
  await hint.press(topic.title);
  const page = hint.text('yu-help-page');
  expect(page).toContain(topic.formula.replace(/\s+/g, ' '));
  expect(page).toContain(topic.text[0].slice(0, 60));
});

it('a field that is called by one of our words tells its meaning on hovering', async () => {
  await openBench();
  const field = await show(ChoiceField, { label: 'Baseline', choices: [], value: '' });
  expect(await field.hintAt(field.find('label'))).toMatch(
    /^What a channel reads when nothing happens/,
  );
  const plain = await show(ChoiceField, { label: 'Colour', choices: [], value: '' });
  expect(await plain.hintAt(plain.find('label'))).toBe('');
});

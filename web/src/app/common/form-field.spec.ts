import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { TestBed } from '@angular/core/testing';
import { Screen } from '../../testing/workbench-bed';
import { CheckField } from './check-field';
import { ChoiceField } from './choice-field';
import { formState } from './form-state';
import { TextField } from './text-field';
import { ValueField } from './value-field';

const ohms = { id: 'r', label: 'Resistance', unit: 'Ω' as const, default: 1e3, min: 1, max: 1e6 };

@Component({
  imports: [CheckField, ChoiceField, ReactiveFormsModule, TextField, ValueField],
  template: `
    <form [formGroup]="form">
      <yu-text-field label="Name" [required]="true" formControlName="name" />
      <yu-choice-field label="Side" [choices]="sides" formControlName="side" />
      <yu-check-field label="Ticked" formControlName="ticked" />
      <yu-value-field [param]="ohms" formControlName="r" />
    </form>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Gathered {
  readonly ohms = ohms;
  readonly sides = [
    { value: 'top', label: 'top' },
    { value: 'bottom', label: 'bottom' },
  ];
  readonly form = inject(NonNullableFormBuilder).group({
    name: 'first',
    side: 'top',
    ticked: false,
    r: 4700,
  });
  readonly state = formState(this.form);
}

async function gathered() {
  const screen = new Screen(TestBed.createComponent(Gathered));
  await screen.settle();
  return { screen, ...screen.fixture.componentInstance };
}

it('fields show what their form holds, and give it what is typed', async () => {
  const { screen, state } = await gathered();
  expect(screen.field('Name').value).toBe('first');
  expect(screen.field('Resistance').value).toMatch(/^4\.7.kΩ$/);
  await screen.type('Name', '  second ');
  await screen.choose('Side', 'bottom');
  screen.find<HTMLInputElement>('input[type=checkbox]').click();
  await screen.type('Resistance', '10k');
  expect(state()).toEqual({
    value: { name: 'second', side: 'bottom', ticked: true, r: 10_000 },
    valid: true,
  });
});

it('what cannot be taken makes the form invalid until it is mended or given back; the old value stands', async () => {
  const { screen, state } = await gathered();
  for (const mend of ['22k', undefined]) {
    await screen.type('Resistance', 'abc');
    expect(state().valid).toBe(false);
    expect(screen.text('p-message')).toMatch(/"abc" is not a number/);
    if (mend) await screen.type('Resistance', mend);
    else await screen.key(screen.field('Resistance'), 'Escape');
    expect(state()).toMatchObject({ value: { r: 22_000 }, valid: true });
  }
  await screen.type('Name', '');
  expect([screen.field('Name').value, state().value.name]).toEqual(['first', 'first']);
});

it('a form that is set or reset shows in its fields', async () => {
  const { screen, form } = await gathered();
  form.patchValue({ name: 'other', ticked: true, r: 330 });
  await screen.settle();
  expect(screen.field('Name').value).toBe('other');
  expect(screen.field('Resistance').value).toMatch(/^330.Ω$/);
  expect(screen.find<HTMLInputElement>('input[type=checkbox]').checked).toBe(true);
  form.disable();
  await screen.settle();
  expect(screen.field('Resistance').disabled && screen.field('Name').disabled).toBe(true);
  form.reset();
  await screen.settle();
  expect(screen.field('Name').value).toBe('first');
});

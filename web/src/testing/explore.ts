import type { Type } from '@angular/core';
import type { Design } from '@yurei/core/design';
import { openBench, show, type Screen } from './workbench-bed';

/** Opens what is shown, as far as something has to be picked first. */
type Prepare = (
  bench: Awaited<ReturnType<typeof openBench>>,
  screen: Screen<unknown>,
) => void | Promise<void>;

/** A screen on which things can be changed. */
export interface Place {
  component: Type<unknown>;
  inputs?: Record<string, unknown>;
  prepare?: Prepare;
}

type Control = HTMLInputElement | HTMLTextAreaElement | HTMLButtonElement;
const isList = (control: HTMLElement): boolean => control.getAttribute('role') === 'combobox';

/** The places of values in which two documents differ: "rules[].then[].drive.as"; of open lists of numbers "params{}". */
export function changedPaths(before: unknown, after: unknown, path = ''): Set<string> {
  if (Object.is(before, after)) return new Set();
  const [a, b] = [before, after];
  if (Array.isArray(a) || Array.isArray(b)) {
    const [left, right] = [asList(a), asList(b)];
    const length = Math.max(left.length, right.length);
    const parts = Array.from({ length }, (_, i) => changedPaths(left[i], right[i], `${path}[]`));
    return union(parts);
  }
  if (isRecord(a) || isRecord(b)) {
    const [left, right] = [asRecord(a), asRecord(b)];
    const names = [...new Set([...Object.keys(left), ...Object.keys(right)])];
    const open = /(?:^|\.)(?:params|ambient|modes)$/.test(path) && !('as' in { ...left, ...right });
    return union(
      names.map((name) =>
        open
          ? Object.is(left[name], right[name])
            ? new Set<string>()
            : new Set([`${path}{}`])
          : changedPaths(left[name], right[name], path === '' ? name : `${path}.${name}`),
      ),
    );
  }
  return new Set([path]);
}

const asList = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);
const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const asRecord = (value: unknown): Record<string, unknown> => (isRecord(value) ? value : {});
const union = (sets: readonly Set<string>[]): Set<string> =>
  new Set(sets.flatMap((set) => [...set]));

/** Fields first: a button may close what they stand in. */
const controls = (screen: Screen<unknown>): Control[] =>
  [
    ...new Set([
      ...screen.host.querySelectorAll<Control>('input, textarea, button, [role=combobox]'),
      ...document.querySelectorAll<Control>(
        '.p-dialog input, .p-dialog [role=combobox], .p-dialog button',
      ),
    ]),
  ]
    .filter((c) => !c.disabled && !(c instanceof HTMLInputElement && c.type === 'file'))
    // What is folded away is there all the same.
    .filter((c) => !c.closest('yu-fold legend'))
    .sort(
      (a, b) => Number(a instanceof HTMLButtonElement) - Number(b instanceof HTMLButtonElement),
    );

const opensMenu = (control: HTMLElement): boolean =>
  control.getAttribute('aria-haspopup') === 'menu';

/** What is tried in a control, one after the other. */
function trials(screen: Screen<unknown>, control: Control): string[] {
  if (isList(control))
    return screen
      .choices(control)
      .map((c) => c.label)
      .filter((label) => label !== control.textContent?.trim())
      .slice(0, 3);
  if (opensMenu(control)) return ['0'];
  if (control instanceof HTMLButtonElement) return [''];
  if (control.type === 'checkbox') return [''];
  const number = parseFloat(control.value);
  if (Number.isNaN(number)) return [`${control.value} x`, '3', '0.4'];
  return ['3', '0.4', '0.6', '7', '20', '1 1 2', '08:00'].filter((v) => v !== control.value);
}

async function handle(screen: Screen<unknown>, control: Control, trial: string): Promise<void> {
  if (isList(control)) {
    control.click();
    await screen.settle();
    const options = screen.all(`#${control.getAttribute('aria-controls')} [role=option]`);
    options.find((o) => o.textContent?.trim() === trial)?.click();
  } else if (opensMenu(control)) {
    control.click();
    await screen.settle();
    screen.all('.p-menu-item-link').at(Number(trial))?.click();
  } else if (control instanceof HTMLButtonElement) control.click();
  else if (control instanceof HTMLInputElement && control.type === 'checkbox') control.click();
  else {
    control.value = trial;
    control.dispatchEvent(new Event('input', { bubbles: true }));
    control.dispatchEvent(new Event('change', { bubbles: true }));
    control.dispatchEvent(new Event('blur', { bubbles: true }));
  }
  await screen.settle();
}

/** Nothing is computed: what is asked is never answered. */
function silence(workers: object): void {
  for (const pool of Object.values(workers))
    for (const asked of Object.values(pool as Record<string, jest.Mock>))
      asked.mockImplementation(() => new Promise(() => undefined));
}

/** Handles every control of a screen, each in the design as it was, and tells all that changes. */
export async function explore(
  design: Design,
  { component, inputs, prepare }: Place,
): Promise<Set<string>> {
  const found = new Set<string>();
  const bench = await openBench(design);
  silence(bench.workers);
  const screen = (await show(component, inputs)) as Screen<unknown>;
  await prepare?.(bench, screen);
  await screen.settle();
  const count = controls(screen).length;
  const { session } = bench;
  for (let i = 0; i < count; i++) {
    const before = session.design();
    const first = controls(screen).at(i);
    for (const trial of first ? trials(screen, first) : []) {
      const control = controls(screen).at(i);
      if (!control) break;
      await handle(screen, control, trial);
      const after = session.design();
      if (after === before) continue;
      for (const path of changedPaths(before, after)) found.add(path);
      session.undo();
      await screen.settle();
      if (!isList(control) && !opensMenu(control)) break;
    }
  }
  return found;
}

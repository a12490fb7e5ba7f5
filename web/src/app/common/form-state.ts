import type { Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { AbstractControl } from '@angular/forms';
import { defer, map, startWith } from 'rxjs';

/** What a form holds, and whether it can be taken, as it stands now; locked fields too. */
export function formState<T extends AbstractControl>(
  form: T,
): Signal<{ value: ReturnType<T['getRawValue']>; valid: boolean }> {
  const now = () => ({
    value: form.getRawValue() as ReturnType<T['getRawValue']>,
    valid: !form.invalid,
  });
  return toSignal(
    defer(() => form.events.pipe(map(now), startWith(now()))),
    { requireSync: true },
  );
}

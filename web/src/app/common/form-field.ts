import {
  computed,
  Directive,
  input,
  output,
  signal,
  type Provider,
  type Type,
} from '@angular/core';
import {
  NG_VALIDATORS,
  NG_VALUE_ACCESSOR,
  type ControlValueAccessor,
  type ValidationErrors,
  type Validator,
} from '@angular/forms';

/**
 * A field of either kind: what edits the document is bound by `value` and `changed`, so that each change is one edit
 * that can be undone; what is gathered before anything is done stands in a typed form, bound by its control.
 */
@Directive()
export abstract class FormField<T> implements ControlValueAccessor, Validator {
  /** As the document has it; a field of a form takes it from its control instead. */
  readonly value = input<T>();
  readonly changed = output<T>();

  /** By its control; nothing where it has none. */
  private readonly written = signal<T | undefined>(undefined);
  /** What stands, whatever is being typed. */
  protected readonly stands = computed(() => this.written() ?? this.value() ?? this.blank());
  protected readonly locked = signal(false);
  private tell: ((value: T) => void) | undefined;
  protected touch: () => void = () => undefined;
  protected judgeAnew: () => void = () => undefined;

  /** What stands where nothing was given. */
  protected abstract blank(): T;

  /** Why what is typed cannot be taken; a form with such a field is not valid. */
  protected why(): string {
    return '';
  }

  protected give(value: T): void {
    if (this.tell) {
      this.written.set(value);
      this.tell(value);
    }
    this.changed.emit(value);
  }

  writeValue(value: T): void {
    this.written.set(value);
  }

  registerOnChange(tell: (value: T) => void): void {
    this.tell = tell;
  }

  registerOnTouched(touch: () => void): void {
    this.touch = touch;
  }

  registerOnValidatorChange(judge: () => void): void {
    this.judgeAnew = judge;
  }

  setDisabledState(locked: boolean): void {
    this.locked.set(locked);
  }

  validate(): ValidationErrors | null {
    const why = this.why();
    return why ? { refused: why } : null;
  }
}

/** Makes a field usable as a control of a form. @param field by `forwardRef`, as it is not defined yet */
export const inForms = (field: Type<unknown>): Provider[] =>
  [NG_VALUE_ACCESSOR, NG_VALIDATORS].map((provide) => ({
    provide,
    useExisting: field,
    multi: true,
  }));

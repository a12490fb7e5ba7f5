type Field = HTMLInputElement | HTMLTextAreaElement;

/** What a field said before it was typed into, until it is taken or left. */
export class Typing {
  private before?: { field: EventTarget; said: string };

  /** A key is about to change a field. */
  begin({ target }: Event): void {
    if (target && 'value' in target && this.before?.field !== target)
      this.before = { field: target, said: (target as Field).value };
  }

  /** What was typed has been taken, or the field was left. */
  end(): void {
    this.before = undefined;
  }

  /** Leaves a field; what was typed into it and not taken is given back. */
  giveUp(field: HTMLElement): void {
    if (this.before?.field === field) {
      (field as Field).value = this.before.said;
      field.dispatchEvent(new Event('input', { bubbles: true }));
    }
    this.end();
    field.blur();
  }
}

/** Whether a key goes into a field. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  const tag = target.tagName;
  const text = tag === 'INPUT' && (target as HTMLInputElement).type !== 'range';
  return (
    text || tag === 'TEXTAREA' || tag === 'SELECT' || target.getAttribute('role') === 'combobox'
  );
}

/** Input that cannot be worked with; ends the command with exit code 2. */
export class BadInput extends Error {
  override readonly name = 'BadInput';
}

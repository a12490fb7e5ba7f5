import { examine, type Examination, type Form } from './examine.js';

/** Runs in a thread: checks something large. */
export default ({ form, body }: { form: Form; body: Uint8Array }): Examination<Form> =>
  examine(form, body);

import type { Brief, Need } from './brief.js';
import type { Counter, Machine, Notice, Output, Rule, Sequence, Sleep } from './program.js';
import type {
  Accepted,
  Channel,
  Design,
  Group,
  Happening,
  Part,
  PinMode,
  PinSkill,
  ReadingSet,
  Recording,
  Scene,
  TerminalRef,
  Wire,
  OwnCode,
} from './types.js';
import type { Place, Plan } from './plan.js';

/** Every change a view can make to a design. */
export type Edit =
  | { type: 'describe'; fields: Partial<Pick<Design, 'title' | 'purpose' | 'site' | 'notes'>> }
  | { type: 'add-part'; part: Part }
  | { type: 'remove-part'; id: string }
  | { type: 'rename-part'; id: string; name: string }
  | { type: 'place-part'; id: string; place: Place }
  | { type: 'set-indicates'; id: string; indicates: boolean }
  | { type: 'set-param'; id: string; param: string; value: number }
  | { type: 'add-wire'; wire: Wire }
  | { type: 'remove-wire'; id: string }
  | { type: 'set-wire'; id: string; fields: Pick<Wire, 'colour' | 'length' | 'gauge'> }
  | { type: 'set-pin'; pin: TerminalRef; mode: PinMode; skill?: PinSkill }
  | { type: 'clear-pin'; pin: TerminalRef }
  | { type: 'put-group'; group: Group }
  | { type: 'remove-group'; id: string }
  | { type: 'put-channel'; channel: Channel }
  | { type: 'remove-channel'; id: string }
  | { type: 'put-output'; output: Output }
  | { type: 'remove-output'; id: string }
  | { type: 'put-rule'; rule: Rule }
  | { type: 'remove-rule'; id: string }
  /** Puts a rule in front of another, or last: the first active one decides. */
  | { type: 'move-rule'; id: string; before?: string }
  | { type: 'put-machine'; machine: Machine }
  | { type: 'remove-machine'; id: string }
  | { type: 'put-counter'; counter: Counter }
  | { type: 'remove-counter'; id: string }
  | { type: 'put-sequence'; sequence: Sequence }
  | { type: 'remove-sequence'; id: string }
  | { type: 'put-notice'; notice: Notice }
  | { type: 'remove-notice'; id: string }
  | { type: 'set-controller'; sleep?: Sleep; watchdog?: number }
  /** Nothing leaves the place out. */
  | { type: 'set-code'; place: keyof OwnCode; text: string }
  | { type: 'put-scene'; scene: Scene }
  | { type: 'remove-scene'; id: string }
  | { type: 'put-happening'; scene: string; happening: Happening }
  | { type: 'remove-happening'; scene: string; id: string }
  | { type: 'set-brief'; fields: Partial<Omit<Brief, 'needs'>> }
  | { type: 'put-need'; need: Need }
  | { type: 'remove-need'; id: string }
  | { type: 'set-plan'; plan: Plan }
  | { type: 'put-recording'; recording: Recording }
  | { type: 'remove-recording'; id: string }
  | { type: 'set-recording'; part: string; recording: string | undefined }
  | { type: 'put-readings'; set: ReadingSet }
  | { type: 'remove-readings'; id: string }
  /** What is found is no mistake here, and why. */
  | { type: 'accept-finding'; accepted: Accepted }
  | { type: 'reopen-finding'; finding: string }
  | { type: 'batch'; label: string; edits: Edit[] };

/** An edit that the design as it stands does not allow; the message says why. */
export class EditError extends Error {
  override readonly name = 'EditError';
}

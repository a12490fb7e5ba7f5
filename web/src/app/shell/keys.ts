import { inject, Injectable } from '@angular/core';
import { kindOf } from '@yurei/core/catalog';
import { terminalRef } from '@yurei/core/design';
import { isTyping } from '../common/is-typing';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Connecting } from '../picture/connecting';
import { Player } from '../data/player';
import { Probes } from '../data/probes';
import { steps } from './steps';
import { Typing } from './typing';

export const keyList: readonly [string, string][] = [
  ['1 – 9', 'go to a step'],
  ['Ctrl K', 'find a part or a command'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['Space', 'run or pause the rehearsal'],
  ['[  ]', 'move the time cursor back or on'],
  ['P', 'pin the selected wire or part to the strip below, or take it off'],
  ['Delete', 'remove what is selected'],
  ['Enter', 'on a terminal: start or end a wire'],
  ['A', 'in Wire: add a part'],
  ['S', 'in Wire: wire a stage'],
  ['W', 'in Wire: type a wire'],
  ['+  -  0', 'in Wire: zoom in, out, show all'],
  ['Shift click', 'pick several parts, to group or remove them'],
  ['Esc', 'leave a field as it was, give up the wire being made, or clear the selection'],
  ['?', 'help: keys, words, how it is computed'],
];

/** What the frame does for keys that only it can act on. */
export interface Frame {
  go: (path: string) => void;
  openCommands: () => void;
  openHelp: () => void;
}

/** The keyboard of the workbench. Keys typed into a field stay there. */
@Injectable()
export class Keys {
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);
  private readonly connecting = inject(Connecting);
  private readonly player = inject(Player);
  private readonly probes = inject(Probes);
  /** What is being typed into a field. */
  readonly typing = new Typing();

  handle(event: KeyboardEvent, frame: Frame): void {
    if (event.defaultPrevented) return;
    const done =
      this.withControl(event, frame) ||
      (isTyping(event) ? this.inField(event) : this.plain(event, frame));
    if (done) event.preventDefault();
  }

  /** Out of a field, keys are commands again; Tab goes on from where it stood. */
  private inField(event: KeyboardEvent): boolean {
    if (event.key !== 'Escape') return false;
    this.typing.giveUp(event.target as HTMLElement);
    return true;
  }

  private withControl(event: KeyboardEvent, frame: Frame): boolean {
    if (!event.ctrlKey && !event.metaKey) return false;
    const key = event.key.toLowerCase();
    if (key === 'k') frame.openCommands();
    else if (isTyping(event)) return false;
    else if (key === 'z' && event.shiftKey) this.session.redo();
    else if (key === 'y') this.session.redo();
    else if (key === 'z') this.session.undo();
    else return false;
    return true;
  }

  private plain(event: KeyboardEvent, frame: Frame): boolean {
    if (event.ctrlKey || event.metaKey || event.altKey) return false;
    const step = steps[Number(event.key) - 1];
    if (step?.path) frame.go(step.path);
    else if (event.key === ' ' && !isButton(event)) this.player.toggle();
    else if (event.key === '[') this.player.step(-1);
    else if (event.key === ']') this.player.step(1);
    else if (event.key === '?') frame.openHelp();
    else if (event.key.toLowerCase() === 'p') this.pin();
    else if (event.key === 'Delete' || event.key === 'Backspace') this.remove();
    else if (event.key === 'Escape') this.escape();
    else return false;
    return true;
  }

  private pin(): void {
    const picked = this.selection.picked();
    const design = this.session.design();
    if (!picked || !design) return;
    const wire = design.wires.find((w) => picked.type === 'wire' && w.id === picked.id);
    const part = design.parts.find((p) => picked.type === 'part' && p.id === picked.id);
    if (wire) this.probes.toggle(wire.from);
    else if (part) {
      const terminals = kindOf(part).terminals;
      const main = terminals.find((t) => t.role === 'signal-out') ?? terminals[0];
      if (main) this.probes.toggle(terminalRef(part.id, main.id));
    }
  }

  private remove(): void {
    const picked = this.selection.picked();
    const parts = this.selection.parts();
    if (parts.length > 1) {
      const edits = parts.map((id) => ({ type: 'remove-part', id }) as const);
      this.session.edit({ type: 'batch', label: 'remove parts', edits });
    } else if (picked?.type === 'part') this.session.edit({ type: 'remove-part', id: picked.id });
    else if (picked?.type === 'wire') this.session.edit({ type: 'remove-wire', id: picked.id });
    else return;
    this.selection.clear();
  }

  private escape(): void {
    if (this.connecting.from()) this.connecting.cancel();
    else this.selection.clear();
  }
}

const isButton = (event: KeyboardEvent): boolean =>
  ['BUTTON', 'A'].includes((event.target as HTMLElement).tagName);

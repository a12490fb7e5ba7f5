import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  model,
  signal,
} from '@angular/core';
import { Router } from '@angular/router';
import { searchCatalog } from '@yurei/core/catalog';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Connecting } from '../picture/connecting';
import { addPart } from '../wire/add-part';
import { Player } from './player';
import { steps } from './steps';

interface Command {
  label: string;
  hint: string;
  run: () => void;
}

/** One field that finds parts, adds them, joins terminals and goes anywhere: "R1.a U1.A0" makes a wire. */
@Component({
  selector: 'yu-command-box',
  imports: [Dialog, InputText],
  template: `
    <p-dialog
      header="Find or do"
      [(visible)]="open"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      position="top"
      [style]="{ width: '520px' }"
      (onShow)="start(field)"
    >
      <input
        #field
        pInputText
        autocomplete="off"
        placeholder="A part, a step, “add resistor”, or two terminals: R1.a U1.A0"
        role="combobox"
        aria-label="Find or do"
        aria-expanded="true"
        aria-controls="command-list"
        [style.width.%]="100"
        [value]="text()"
        (input)="text.set(field.value)"
        (keydown.arrowdown)="move(1, $event)"
        (keydown.arrowup)="move(-1, $event)"
        (keydown.enter)="run(commands()[at()])"
      />
      <ul id="command-list" role="listbox">
        @for (command of commands(); track command.label; let i = $index) {
          <li
            role="option"
            tabindex="-1"
            [attr.aria-selected]="i === at()"
            (click)="run(command)"
            (keydown.enter)="run(command)"
          >
            {{ command.label }} <span class="soft">{{ command.hint }}</span>
          </li>
        } @empty {
          <li class="soft">Nothing here is called “{{ text() }}”.</li>
        }
      </ul>
    </p-dialog>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 10px 0 0;
      padding: 0;
      max-height: 320px;
      overflow: auto;
    }
    li {
      padding: 5px 8px;
      border-radius: 4px;
      cursor: pointer;
    }
    li[aria-selected='true'] {
      background: var(--indigo-wash);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CommandBox {
  readonly open = model(false);
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);
  private readonly connecting = inject(Connecting);
  private readonly player = inject(Player);
  private readonly router = inject(Router);
  protected readonly text = signal('');
  protected readonly at = linkedSignal({ source: this.text, computation: () => 0 });

  protected readonly commands = computed((): Command[] => {
    const words = this.text().trim().toLowerCase();
    const wire = this.wireCommand(this.text().trim());
    const plain = [...this.partCommands(), ...this.stepCommands(), ...this.actions()].filter((c) =>
      `${c.label} ${c.hint}`.toLowerCase().includes(words),
    );
    return [...wire, ...plain, ...this.addCommands(words)].slice(0, 40);
  });

  /** Opens with an empty field, whatever was typed last. */
  protected start(field: HTMLInputElement): void {
    this.text.set('');
    field.value = '';
    field.focus();
  }

  protected move(by: number, event: Event): void {
    event.preventDefault();
    const count = this.commands().length;
    if (count > 0) this.at.update((i) => (i + by + count) % count);
  }

  protected run(command: Command | undefined): void {
    if (!command) return;
    this.open.set(false);
    command.run();
  }

  private wireCommand(text: string): Command[] {
    const match = /^(\w+\.\S+)\s+(?:to\s+)?(\w+\.\S+)$/i.exec(text);
    if (!match) return [];
    const [, from, to] = match;
    return [
      { label: `Join ${from} and ${to}`, hint: 'wire', run: () => this.connecting.join(from, to) },
    ];
  }

  private partCommands(): Command[] {
    return (this.session.design()?.parts ?? []).map((part) => ({
      label: `${part.id} ${part.name}`,
      hint: 'select',
      run: () => {
        this.selection.pick('part', part.id);
        this.go('wire');
      },
    }));
  }

  private stepCommands(): Command[] {
    return steps.flatMap(({ name, path }) =>
      path ? [{ label: name, hint: 'step', run: () => this.go(path) }] : [],
    );
  }

  private addCommands(words: string): Command[] {
    const wanted = words.replace(/^add\s*/, '');
    return searchCatalog(wanted).map((kind) => ({
      label: `Add ${kind.label.toLowerCase()}`,
      hint: kind.summary,
      run: () => {
        addPart(kind, this.session, this.selection);
        this.go('wire');
      },
    }));
  }

  private actions(): Command[] {
    return [
      { label: 'Undo', hint: 'Ctrl Z', run: () => this.session.undo() },
      { label: 'Redo', hint: 'Ctrl Shift Z', run: () => this.session.redo() },
      { label: 'Run or pause the rehearsal', hint: 'Space', run: () => this.player.toggle() },
      {
        label: 'Back to the shelf',
        hint: 'all designs',
        run: () => void this.router.navigate(['/']),
      },
      {
        label: 'Export as JSON',
        hint: 'open file',
        run: () =>
          void this.session
            .flush()
            .then(() => location.assign(`/api/designs/${this.session.id}/export`)),
      },
    ];
  }

  private go(path: string): void {
    void this.router.navigate(['/design', this.session.id, path]);
  }
}

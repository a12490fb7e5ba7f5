import { ChangeDetectionStrategy, Component, inject, model } from '@angular/core';
import { Router } from '@angular/router';
import { searchBlocks } from '@yurei/core/blocks';
import { nearness, searchCatalog } from '@yurei/core/catalog';
import { sayWiring } from '@yurei/core/wiring';
import { FindDialog, type Find } from '../common/find-dialog';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Connecting } from '../picture/connecting';
import { addPart } from '../wire/add-part';
import { Blocks } from '../wire/blocks';
import { Player } from '../data/player';
import { steps } from './steps';

/** One field that finds parts, adds them, joins terminals and goes anywhere: "R1.a U1.A0" makes a wire. */
@Component({
  selector: 'yu-command-box',
  imports: [FindDialog],
  template: `
    <yu-find-dialog
      header="Find or do"
      placeholder="A part, a step, “add resistor”, “OUT of PIR to D2”"
      nothing="Nothing here is called"
      [search]="search"
      [(open)]="open"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CommandBox {
  readonly open = model(false);
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);
  private readonly connecting = inject(Connecting);
  private readonly player = inject(Player);
  private readonly blocks = inject(Blocks);
  private readonly router = inject(Router);

  protected readonly search = (text: string): Find[] => {
    const words = text.trim().toLowerCase();
    const wire = this.wireCommand(text.trim());
    const plain = [...this.partCommands(), ...this.stepCommands(), ...this.actions()]
      .filter((c) => `${c.label} ${c.hint}`.toLowerCase().includes(words))
      .map((command) => ({ command, far: nearness(words, command.label) }))
      .sort(
        (a, b) => a.far - b.far || (words ? a.command.label.length - b.command.label.length : 0),
      )
      .map(({ command }) => command);
    return [...wire, ...plain, ...this.blockCommands(words), ...this.addCommands(words)].slice(
      0,
      40,
    );
  };

  private wireCommand(text: string): Find[] {
    const design = this.session.design();
    const said = design && sayWiring(design, text);
    if (!said) return [];
    if (!said.ok) {
      const { reason } = said;
      const meantAsWire = / to |\.\S+\s+\S+\./.test(text);
      const run = (): void => this.connecting.refusal.set(reason);
      return meantAsWire ? [{ label: `No wire: ${reason}`, hint: '', run }] : [];
    }
    const { from, to } = said;
    return [
      { label: `Join ${from} and ${to}`, hint: 'wire', run: () => this.connecting.join(from, to) },
    ];
  }

  private blockCommands(words: string): Find[] {
    return words === ''
      ? []
      : searchBlocks(words).map((block) => ({
          label: block.label,
          hint: 'wire a stage',
          run: () => {
            this.go('wire');
            this.blocks.open.set({ block });
          },
        }));
  }

  private partCommands(): Find[] {
    return (this.session.design()?.parts ?? []).map((part) => ({
      label: `${part.id} ${part.name}`,
      hint: 'select',
      run: () => {
        this.selection.pick('part', part.id);
        this.go('wire');
      },
    }));
  }

  private stepCommands(): Find[] {
    return steps.flatMap(({ name, path }) =>
      path ? [{ label: name, hint: 'step', run: () => this.go(path) }] : [],
    );
  }

  private addCommands(words: string): Find[] {
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

  private actions(): Find[] {
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

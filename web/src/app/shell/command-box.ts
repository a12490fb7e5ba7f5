import { ChangeDetectionStrategy, Component, inject, model, output } from '@angular/core';
import { Router } from '@angular/router';
import { searchBlocks } from '@yurei/core/blocks';
import { nearness, searchCatalog } from '@yurei/core/catalog';
import { isOpen } from '@yurei/core/check';
import { terms, topics } from '@yurei/core/help';
import { sayWiring } from '@yurei/core/wiring';
import { FindDialog, type Find } from '../common/find-dialog';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Connecting } from '../picture/connecting';
import { addPart } from '../wire/add-part';
import { Blocks } from '../wire/blocks';
import { Player } from '../data/player';
import { BenchView } from '../data/bench-view';
import { Tour } from '../data/tour';
import { Panes } from '../data/panes';
import { ThemeService } from '../theme/theme';
import type { HelpPart } from './help-dialog';
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
  /** Help is asked for. */
  readonly help = output<HelpPart>();
  readonly settings = output();
  private readonly view = inject(BenchView);
  private readonly panes = inject(Panes);
  private readonly theme = inject(ThemeService);
  private readonly tour = inject(Tour);
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);
  private readonly connecting = inject(Connecting);
  private readonly player = inject(Player);
  private readonly blocks = inject(Blocks);
  private readonly router = inject(Router);

  protected readonly search = (text: string): Find[] => {
    const words = text.trim().toLowerCase();
    const wire = this.wireCommand(text.trim());
    const plain = [
      ...this.partCommands(),
      ...this.stepCommands(),
      ...this.findingCommands(),
      ...this.actions(),
      ...this.helpCommands(),
    ]
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

  /** Each finding by its title; taking it shows what it is about. */
  private findingCommands(): Find[] {
    const parts = new Set(this.session.design()?.parts.map((p) => p.id));
    return this.view
      .findings()
      .filter(isOpen)
      .map((finding) => ({
        label: finding.title,
        hint: `finding, ${finding.severity}`,
        run: () => {
          const part = finding.about.find((id) => parts.has(id));
          if (part) this.selection.pick('part', part);
          else this.selection.clear();
          this.panes.sideOpen.set(true);
          this.go('wire');
        },
      }));
  }

  /** Help pages and the words of the glossary. */
  private helpCommands(): Find[] {
    return [
      ...topics.map(({ title }) => ({
        label: title,
        hint: 'help',
        run: () => this.help.emit('pages'),
      })),
      ...terms.map(({ term, means }) => ({
        label: term,
        hint: means,
        run: () => this.help.emit('words'),
      })),
    ];
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
        label: this.theme.theme() === 'day' ? 'By night: dark colours' : 'By day: light colours',
        hint: 'setting',
        run: () => this.theme.toggle(),
      },
      {
        label: 'Settings: decimals, °C or °F, metres or inches',
        hint: 'setting',
        run: () => this.settings.emit(),
      },
      { label: 'Tour of the steps', hint: 'help', run: () => this.tour.begin() },
      { label: 'Keys', hint: 'help', run: () => this.help.emit('keys') },
      { label: 'Print this step', hint: 'paper or PDF', run: () => window.print() },
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

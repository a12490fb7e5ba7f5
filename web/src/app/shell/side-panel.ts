import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { isOpen, type Finding } from '@yurei/core/check';
import { Button } from 'primeng/button';
import { Fold } from '../common/fold';
import { HelpHint } from '../common/help-hint';
import { Hint } from '../common/hint';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { DiagnosisView, type OfferedRoot } from '../data/diagnosis-view';
import { Panes } from '../data/panes';
import { Selection } from '../data/selection';
import { ChannelPanel } from '../set/channel-panel';
import { ReadingsPanel } from '../set/readings-panel';
import { HappeningPanel } from '../rehearse/happening-panel';
import { GroupPanel } from '../wire/group-panel';
import { PartPanel } from '../wire/part-panel';
import { SeveralPanel } from '../wire/several-panel';
import { WirePanel } from '../wire/wire-panel';
import { FindingCard } from './finding-card';

/** A caution about people, rather than about the circuit. */
const isGrave = ({ severity, consequence }: Finding): boolean =>
  severity === 'safety' && consequence === 'danger';

/** What is selected, to read and to change, and the findings about it. */
@Component({
  selector: 'yu-side-panel',
  imports: [
    Button,
    ChannelPanel,
    FindingCard,
    Fold,
    GroupPanel,
    HappeningPanel,
    HelpHint,
    Hint,
    PartPanel,
    ReadingsPanel,
    SeveralPanel,
    WirePanel,
  ],
  template: `
    <p-button
      class="close"
      icon="pi pi-times"
      ariaLabel="Close the side panel"
      yuHint="Close (Esc)"
      size="small"
      severity="secondary"
      [text]="true"
      (onClick)="close()"
    />
    @if (picked(); as picked) {
      @switch (picked.type) {
        @case ('part') {
          @if (several()) {
            <yu-several-panel />
          } @else {
            <yu-part-panel [id]="picked.id" />
          }
        }
        @case ('group') {
          <yu-group-panel [id]="picked.id" />
        }
        @case ('wire') {
          <yu-wire-panel [id]="picked.id" />
        }
        @case ('channel') {
          <yu-channel-panel [id]="picked.id" />
        }
        @case ('readings') {
          <yu-readings-panel [id]="picked.id" />
        }
        @case ('happening') {
          <yu-happening-panel [id]="picked.id" />
        }
      }
    }
    @if (!picked() || findings().length > 0) {
      <h3 class="heading">{{ heading() }} <yu-help on="findings" /></h3>
    }
    @for (item of urgent(); track item.finding.id) {
      <yu-finding-card [finding]="item.finding" [root]="item.root" />
    } @empty {
      @if (!picked()) {
        <p class="soft">Nothing wrong found.</p>
      }
    }
    @if (trying()) {
      <p class="soft" role="status">
        {{ known() ? 'Trying two changes at once…' : 'Trying what cures it…' }}
      </p>
    }
    @for (finding of grave(); track finding.id) {
      <yu-finding-card [finding]="finding" />
    }
    @for (shelf of shelves(); track shelf.label) {
      <yu-fold [label]="shelf.label + ' (' + shelf.findings.length + ')'">
        @for (finding of shelf.findings; track finding.id) {
          <yu-finding-card [finding]="finding" [root]="asides().get(finding.id)" />
        }
      </yu-fold>
    }
  `,
  styleUrl: './side-panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SidePanel {
  private readonly view = inject(BenchView);
  private readonly selection = inject(Selection);
  private readonly session = inject(DesignSession);
  private readonly diagnosis = inject(DiagnosisView);
  private readonly panes = inject(Panes);
  protected readonly picked = this.selection.picked;
  protected readonly several = computed(() => this.selection.parts().length > 1);
  protected readonly heading = computed(() =>
    this.picked() ? 'findings about it' : 'all findings',
  );
  protected readonly findings = computed(() => {
    const picked = this.picked();
    const all = this.view.findings();
    if (!picked) return all;
    const group = this.session.design()?.groups.find((g) => g.id === picked.id);
    const set = this.session.design()?.readings.find((r) => r.id === picked.id);
    const channel = set ? [set.channel] : [];
    const parts = [...this.selection.parts(), ...(group?.parts ?? [])];
    const ids = new Set([picked.id, ...channel, ...parts]);
    return all.filter((f) => f.about.some((id) => ids.has(id)));
  });
  /** Roots with all that follows from them; as long as those are not known, everything that was found. */
  protected readonly urgent = computed((): { finding: Finding; root?: OfferedRoot }[] => {
    const about = new Set(this.findings().map((f) => f.id));
    const roots = this.diagnosis.roots();
    if (roots)
      return roots
        .filter(({ finding, effects }) => [finding, ...effects].some((f) => about.has(f.id)))
        .map((root) => ({ finding: root.finding, root }));
    return this.findings()
      .filter(isOpen)
      .map((finding) => ({ finding }));
  });
  protected readonly known = computed(() => this.diagnosis.roots() !== undefined);
  protected readonly trying = computed(() => this.urgent().length > 0 && this.diagnosis.isTrying());
  protected readonly asides = computed(
    () => new Map((this.diagnosis.asides() ?? []).map((root) => [root.finding.id, root])),
  );
  /** What is about more than the circuit is never folded away. */
  protected readonly grave = computed(() => this.findings().filter(isGrave));
  protected readonly shelves = computed(() =>
    [
      { label: 'Worth knowing', severity: 'note' },
      { label: 'Fine', severity: 'fine' },
      { label: 'The usual cautions', severity: 'safety' },
      { label: 'No mistake here', severity: 'accepted' },
    ]
      .map(({ label, severity }) => ({
        label,
        findings: this.findings().filter((f) => f.severity === severity && !isGrave(f)),
      }))
      .filter((shelf) => shelf.findings.length > 0),
  );

  protected close(): void {
    this.selection.clear();
    this.panes.sideOpen.set(false);
  }
}

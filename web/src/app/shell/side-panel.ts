import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Finding } from '@yurei/core/check';
import { Button } from 'primeng/button';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { ChannelPanel } from '../set/channel-panel';
import { HappeningPanel } from '../rehearse/happening-panel';
import { PartPanel } from '../wire/part-panel';
import { WirePanel } from '../wire/wire-panel';

const words: Record<Finding['severity'], string> = {
  error: 'Wrong',
  caution: 'Caution',
  fine: 'Fine',
  safety: 'Safety',
};

/** What is selected, to read and to change, and the findings about it. */
@Component({
  selector: 'yu-side-panel',
  imports: [Button, ChannelPanel, HappeningPanel, PartPanel, WirePanel],
  template: `
    @if (picked(); as picked) {
      @switch (picked.type) {
        @case ('part') {
          <yu-part-panel [id]="picked.id" />
        }
        @case ('wire') {
          <yu-wire-panel [id]="picked.id" />
        }
        @case ('channel') {
          <yu-channel-panel [id]="picked.id" />
        }
        @case ('happening') {
          <yu-happening-panel [id]="picked.id" />
        }
      }
    }
    <h3 class="heading">{{ heading() }}</h3>
    @for (finding of findings(); track finding.id) {
      <section class="finding" [attr.data-severity]="finding.severity">
        <h3>
          <span class="word">{{ words[finding.severity] }}</span> {{ finding.title }}
        </h3>
        <p>{{ finding.reason }}</p>
        @if (finding.fix; as fix) {
          <p-button
            [label]="fix.label"
            size="small"
            variant="outlined"
            (onClick)="session.edit(fix.edit)"
          />
        }
      </section>
    } @empty {
      <p class="soft">Nothing to report here.</p>
    }
  `,
  styleUrl: './side-panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SidePanel {
  private readonly view = inject(BenchView);
  private readonly selection = inject(Selection);
  protected readonly session = inject(DesignSession);
  protected readonly picked = this.selection.picked;
  protected readonly words = words;
  protected readonly heading = computed(() =>
    this.picked() ? 'findings about it' : 'all findings',
  );
  protected readonly findings = computed(() => {
    const picked = this.picked();
    const all = this.view.findings();
    return picked ? all.filter((f) => f.about.includes(picked.id)) : all;
  });
}

import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { longestCode, type OwnCode } from '@yurei/core/design';
import { ownCodeIn, ownPlaces } from '@yurei/core/firmware';
import { Textarea } from 'primeng/textarea';
import { FileButton } from '../common/file-button';
import { DesignSession } from '../data/design-session';

type Place = keyof OwnCode;
const told: Record<Place, { label: string; says: string }> = {
  top: {
    label: 'Above everything',
    says: 'What it brings in, variables and functions of your own.',
  },
  start: {
    label: 'At the start',
    says: 'When all pins are ready; again after each deep sleep of a radio board.',
  },
  pass: {
    label: 'In each pass',
    says: 'After everything else, up to a thousand times a second: wait for nothing here.',
  },
  event: {
    label: 'When something happens',
    says: 'A rule begins or ends, a mode changes, a notice is sent. kind, of and what are texts: “rule”, “r1”, “begins”.',
  },
};

/** The places of a program in which code of the maker's own stands; it is kept in the design, and written anew with the rest. */
@Component({
  selector: 'yu-own-code',
  imports: [FileButton, Textarea],
  template: `
    <p class="soft">
      Kept in the design and put back whenever the program is written anew. It is in
      {{ language() === 'python' ? 'Python' : language() === 'c' ? 'C' : 'C++' }}, and neither
      rehearsed nor proven.
    </p>
    <div class="bring">
      <yu-file-button
        label="Take it from a changed program…"
        what="A program that was downloaded and changed"
        accept=".ino,.c,.cpp,.py,.txt"
        (taken)="bring($event)"
      />
      <span class="soft" role="status">{{ said() }}</span>
    </div>
    @for (place of places(); track place.id) {
      <div class="place">
        <label [for]="'own-' + place.id">{{ place.label }}</label>
        <span class="soft">{{ place.says }}</span>
      </div>
      <textarea
        pTextarea
        spellcheck="false"
        autocapitalize="off"
        [id]="'own-' + place.id"
        [rows]="place.rows"
        [attr.maxlength]="longest"
        [value]="place.text"
        (change)="put(place.id, $event)"
      ></textarea>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 6px;
      flex: 1;
      overflow: auto;
      padding: 12px 18px;
    }
    p {
      margin: 0;
    }
    .place {
      display: flex;
      flex-wrap: wrap;
      column-gap: 8px;
      margin-top: 6px;
    }
    label {
      font-weight: 600;
    }
    .bring {
      display: flex;
      align-items: center;
      gap: 10px;
    }
    textarea {
      flex: none;
      max-width: 820px;
      font-family: var(--mono);
      white-space: pre;
      overflow-x: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { role: 'region', 'aria-label': 'Your own code', tabindex: '0' },
})
export class OwnCodePanel {
  readonly language = input.required<'cpp' | 'c' | 'python'>();
  private readonly session = inject(DesignSession);
  protected readonly longest = longestCode;
  protected readonly said = signal('');

  protected readonly places = computed(() => {
    const code = this.session.design()?.controller.code ?? {};
    return ownPlaces.map((id) => {
      const text = code[id] ?? '';
      return { id, ...told[id], text, rows: Math.min(12, Math.max(3, text.split('\n').length)) };
    });
  });

  protected put(place: Place, event: Event): void {
    const text = (event.target as HTMLTextAreaElement).value;
    // What a keyboard cannot write, but may be pasted.
    this.session.edit({ type: 'set-code', place, text: text.replace(/[^\P{Cc}\t\n]/gu, '') });
  }

  /** From the text of a program that was downloaded and changed. */
  protected async bring([file]: File[]): Promise<void> {
    if (!file) return;
    const found = ownCodeIn(await file.text());
    const places = ownPlaces.filter((place) => found[place] !== undefined);
    const long = places.find((place) => (found[place] ?? '').length > longestCode);
    if (long)
      return this.said.set(`${told[long].label}: more than ${longestCode} letters are not taken.`);
    for (const place of places)
      this.session.edit({ type: 'set-code', place, text: found[place] ?? '' });
    this.said.set(
      places.length > 0
        ? `Taken: ${places.map((place) => told[place].label.toLowerCase()).join(', ')}.`
        : 'It has no marked lines “>>> your own code”: write something here first, and download it.',
    );
  }
}

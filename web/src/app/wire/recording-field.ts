import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { freshId, type Edit, type Recording } from '@yurei/core/design';
import { parseRecording } from '@yurei/core/exchange';
import { formatQuantity } from '@yurei/core/quantity';
import { Message } from 'primeng/message';
import { ChoiceField, type Choice } from '../common/choice-field';
import { FileButton } from '../common/file-button';
import { TextField } from '../common/text-field';
import { DesignSession } from '../data/design-session';

/** Larger files are no recordings of twenty thousand lines, and are not read. */
const largestFile = 2_000_000;

/** Which recording a stand-in plays, and the door through which one comes in. */
@Component({
  selector: 'yu-recording-field',
  imports: [ChoiceField, FileButton, Message, TextField],
  template: `
    <yu-choice-field
      label="Plays"
      [choices]="choices()"
      [value]="playing()"
      (changed)="choose($event)"
    />
    @if (played(); as recording) {
      <yu-text-field
        label="Name"
        [value]="recording.name"
        [required]="true"
        (changed)="rename(recording, $event)"
      />
    }
    @if (told(); as told) {
      <p class="soft">{{ told }}</p>
    }
    <yu-file-button
      label="Load CSV…"
      what="Readings as CSV"
      accept=".csv,.txt,text/csv,text/plain"
      (taken)="load($event)"
    />
    @if (refused(); as refused) {
      <p-message severity="error" size="small" variant="simple">{{ refused }}</p-message>
    }
  `,
  styleUrl: '../common/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordingField {
  /** The part that plays. */
  readonly id = input.required<string>();
  private readonly session = inject(DesignSession);
  protected readonly refused = signal('');

  private readonly recordings = computed(() => this.session.design()?.recordings ?? []);
  protected readonly playing = computed(
    () => this.session.design()?.parts.find((p) => p.id === this.id())?.recording ?? '',
  );
  protected readonly choices = computed((): Choice[] => [
    { value: '', label: 'nothing' },
    ...this.recordings().map((r) => ({ value: r.id, label: r.name })),
  ]);
  protected readonly played = computed(() =>
    this.recordings().find((r) => r.id === this.playing()),
  );
  protected readonly told = computed(() => {
    const recording = this.played();
    return recording && describe(recording);
  });

  protected rename(recording: Recording, name: string): void {
    this.session.edit({ type: 'put-recording', recording: { ...recording, name } });
  }

  protected choose(id: string): void {
    this.session.edit({ type: 'set-recording', part: this.id(), recording: id || undefined });
  }

  protected async load([file]: File[]): Promise<void> {
    if (!file) return;
    if (file.size > largestFile) {
      this.refused.set(`${file.name} is larger than 2 MB. Thin it out or cut it.`);
      return;
    }
    this.take(file.name.replace(/\.\w+$/, ''), await file.text());
  }

  /** Takes the text of a file as a new recording, or says what is wrong with it. */
  take(name: string, text: string): void {
    const read = parseRecording(text);
    if (!read.ok) {
      this.refused.set(`${read.reason}. ${read.cure}`);
      return;
    }
    this.refused.set('');
    const id = freshId(
      'rec',
      this.recordings().map((r) => r.id),
    );
    const { times, values } = read;
    const edits: Edit[] = [
      { type: 'put-recording', recording: { id, name: name.slice(0, 120), times, values } },
      { type: 'set-recording', part: this.id(), recording: id },
    ];
    this.session.edit({ type: 'batch', label: `load ${name}`, edits });
  }
}

function describe({ times, values }: Recording): string {
  const span = formatQuantity((times.at(-1) ?? 0) - (times[0] ?? 0), 's');
  const [low, high] = [Math.min(...values), Math.max(...values)].map((v) => formatQuantity(v, 'V'));
  return `${times.length} readings over ${span}, ${low} to ${high}. Let “A recording plays” happen in Rehearse.`;
}

import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  model,
  signal,
} from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { mostReadings, type Channel, type Conditions } from '@yurei/core/design';
import { guessLog, parseTyped, type CountsPer, type LogGuess } from '@yurei/core/exchange';
import { decimals, formatQuantity } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Message } from 'primeng/message';
import { TableModule } from 'primeng/table';
import { Textarea } from 'primeng/textarea';
import { ProgressBar } from 'primeng/progressbar';
import { FileButton } from '../common/file-button';
import { reasonOf } from '../data/answer';
import { ChoiceField } from '../common/choice-field';
import { formState } from '../common/form-state';
import { TextField } from '../common/text-field';
import { JudgeView } from '../data/judge-view';
import { Capturing, type Intent } from './capturing';
import { ConditionsFields } from './conditions-fields';
import { intentChoices } from './intents';
import { LogReading, type ReadLog } from './log-reading';
import { LogStretch, type Stretch } from './log-stretch';
import { MappingFields, plainLog } from './mapping-fields';

/** Larger files are not read. */
const largest = 200e6;
/** So much of a file is looked at to guess how it is written. */
const headSize = 65_536;

/** Brings readings in from a log or from what a meter showed, and keeps a stretch of them as a set. */
@Component({
  selector: 'yu-bring-dialog',
  imports: [
    Button,
    ChoiceField,
    ConditionsFields,
    Dialog,
    FileButton,
    LogStretch,
    MappingFields,
    Message,
    ProgressBar,
    ReactiveFormsModule,
    TableModule,
    TextField,
    Textarea,
  ],
  templateUrl: './bring-dialog.html',
  styleUrl: './bring-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BringDialog {
  readonly channel = input.required<Channel>();
  /** V of one count; undefined where no converter reads it. */
  readonly oneCount = input<number>();
  readonly open = model(false);
  private readonly judging = inject(JudgeView);
  private readonly capturing = inject(Capturing);
  private readonly reading = inject(LogReading);
  protected readonly intents = intentChoices;

  protected readonly source = signal<{ name: string; data: File | string } | undefined>(undefined);
  protected readonly guess = signal<LogGuess | undefined>(undefined);
  protected readonly log = signal<ReadLog | undefined>(undefined);
  protected readonly progress = signal<number | undefined>(undefined);
  protected readonly refused = signal('');
  protected readonly stretch = signal<Stretch | undefined>(undefined);
  private readonly build = inject(NonNullableFormBuilder);
  /** What is told of the readings before they are kept. */
  protected readonly form = this.build.group({
    mapping: [plainLog],
    typed: '',
    name: '',
    intent: this.build.control<Intent>('quiet'),
    conditions: this.build.control<Conditions>({}),
  });
  protected readonly told = computed(() => this.state().value);
  private readonly state = formState(this.form);

  /** Counts for one of each unit that a reading may be written in. */
  protected readonly countsPer = computed((): CountsPer => {
    const [one, full] = [this.oneCount(), this.judging.full()];
    // Without a converter a voltage says nothing: such units are not offered.
    const perVolt = one === undefined ? NaN : 1 / one;
    return { counts: 1, V: perVolt, mV: perVolt / 1000, '%': full / 100 };
  });

  protected readonly kept = computed(() => {
    const stretch = this.stretch();
    return stretch ? Math.min(mostReadings, stretch.end - stretch.first) : 0;
  });

  protected async choose([file]: File[]): Promise<void> {
    if (file) await this.look(file.name, file);
  }

  protected async drop(event: DragEvent): Promise<void> {
    event.preventDefault();
    const file = event.dataTransfer?.files[0];
    if (file) await this.look(file.name, file);
  }

  protected async paste(event: ClipboardEvent): Promise<void> {
    const text = event.clipboardData?.getData('text') ?? '';
    // Some numbers are typed readings; a table with lines and columns is a log.
    if (!/\n.*[,;\t]|[,;\t].*\n/.test(text)) return;
    event.preventDefault();
    await this.look('Pasted', text);
  }

  /** Looks at the beginning of a log and guesses how it is written; nothing is changed yet. */
  async look(name: string, data: File | string): Promise<void> {
    this.forget();
    const size = typeof data === 'string' ? data.length : data.size;
    if (size > largest) {
      const told = size > 1e9 ? `${decimals(size / 1e9, 1)} GB` : `${decimals(size / 1e6, 0)} MB`;
      this.refused.set(
        `${name} has ${told}; at most ${largest / 1e6} MB are read. Cut it. Nothing was changed.`,
      );
      return;
    }
    try {
      const head =
        typeof data === 'string' ? data.slice(0, headSize) : await data.slice(0, headSize).text();
      const guess = guessLog(head);
      this.form.patchValue({ mapping: guess.mapping, name: name.replace(/\.\w+$/, '') });
      this.guess.set(guess);
      this.source.set({ name, data });
    } catch (error) {
      this.refused.set(`${name}: ${reasonOf(error)} Nothing was changed.`);
    }
  }

  protected async read(): Promise<void> {
    const source = this.source();
    if (!source) return;
    const { mapping } = this.told();
    this.refused.set('');
    this.progress.set(0);
    try {
      const { every } = this.channel();
      const task = { data: source.data, mapping, countsPer: this.countsPer(), every };
      const log = await this.reading.read(task, (share) => this.progress.set(share));
      this.log.set(log);
      this.stretch.set({ first: 0, end: log.counts.length });
    } catch (error) {
      this.refused.set(`${source.name}: ${reasonOf(error)} Nothing was changed.`);
    } finally {
      this.progress.set(undefined);
    }
  }

  protected cancel(): void {
    this.reading.cancel();
  }

  /** Keeps the chosen stretch as a set; of a longer one evenly every so-manieth reading. */
  protected keep(): void {
    const [log, stretch] = [this.log(), this.stretch()];
    if (!log || !stretch) return;
    const step = Math.ceil((stretch.end - stretch.first) / mostReadings);
    const counts = [...log.counts.slice(stretch.first, stretch.end)]
      .filter((_, i) => i % step === 0)
      .map(rounded);
    try {
      this.checkRange(counts);
    } catch (error) {
      return this.refused.set(reasonOf(error));
    }
    const thinned = step > 1 ? `One reading in ${step} of a longer log.` : '';
    this.finish(counts, log.every * step, 'file', thinned);
  }

  protected keepTyped(): void {
    try {
      const counts = parseTyped(this.told().typed, this.countsPer()).map(rounded);
      this.checkRange(counts);
      this.finish(counts, this.channel().every, 'typed', '');
    } catch (error) {
      this.refused.set(reasonOf(error));
    }
  }

  protected span(log: ReadLog): string {
    const { times, counts } = log;
    return `${counts.length} readings over ${formatQuantity(times.at(-1) ?? 0, 's')}, one every ${formatQuantity(log.every, 's')}`;
  }

  private finish(counts: number[], every: number, origin: 'file' | 'typed', notes: string): void {
    const { name, intent, conditions } = this.told();
    const set = { counts, every, origin, notes, name, intent, conditions };
    if (!this.capturing.keep(this.channel(), set))
      return this.refused.set(this.capturing.refusal());
    this.form.controls.typed.reset();
    this.forget();
    this.open.set(false);
  }

  /** @throws Error when a reading lies outside what can be read */
  private checkRange(counts: readonly number[]): void {
    const full = this.judging.full();
    const wrong = counts.find((c) => !(c >= 0 && c <= full));
    if (wrong !== undefined)
      throw new Error(
        Number.isNaN(wrong)
          ? 'It reads no voltage: give counts or per cent.'
          : `${wrong} counts cannot be read here: 0 to ${full}.`,
      );
  }

  private forget(): void {
    this.reading.cancel();
    this.refused.set('');
    for (const state of [this.guess, this.source, this.log, this.stretch]) state.set(undefined);
    this.form.controls.name.reset();
  }

  protected closed(): void {
    this.forget();
    this.open.set(false);
  }
}

const rounded = (counts: number): number => Math.round(counts * 100) / 100;

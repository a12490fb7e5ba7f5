import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Title } from '@angular/platform-browser';
import { readable } from '@yurei/core/catalog';
import { isOpen, type Answer, type Finding } from '@yurei/core/check';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Message } from 'primeng/message';
import { Hint } from '../common/hint';
import { Waiting } from '../common/waiting';
import { catchError, map, of, switchMap, type Observable } from 'rxjs';
import { Divider } from '../common/divider';
import { Lantern } from '../common/lantern';
import { Press } from '../common/press';
import { AnswersForShelf } from '../data/answers-for-shelf';
import { ApiError } from '../data/api';
import { BenchBoard } from '../data/bench-board';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { DiagnosisView } from '../data/diagnosis-view';
import { JudgeView } from '../data/judge-view';
import { paneLimits, Panes } from '../data/panes';
import { Selection } from '../data/selection';
import { Site } from '../site/site';
import { Connecting } from '../picture/connecting';
import { PictureLayouter } from '../picture/layout';
import { Blocks } from '../wire/blocks';
import { ThemeService } from '../theme/theme';
import { AboutDialog } from './about-dialog';
import { CommandBox } from './command-box';
import { TourCard } from './tour-card';
import { Tour } from '../data/tour';
import { HelpDialog, type HelpPart } from './help-dialog';
import { Keys } from './keys';
import { Player } from '../data/player';
import { ProbeStrip } from './probe-strip';
import { Probes } from '../data/probes';
import { SettingsDialog } from '../settings/settings-dialog';
import { SidePanel } from './side-panel';
import { steps } from './steps';

/** The step in which the evidence for an answer is seen; of those without one nothing is computed yet. */
const evidence: Partial<Record<Answer['id'], string>> = {
  notices: 'rehearse',
  quiet: 'rehearse',
  survives: 'wire',
  lasts: 'rehearse',
};

/** Height of the strip when only its player is shown, px. */
const foldedStrip = 32;

/** The frame around one design: questions above, steps at the left, findings at the right, probes below. */
@Component({
  selector: 'yu-workbench',
  imports: [
    AboutDialog,
    Button,
    CommandBox,
    Divider,
    HelpDialog,
    Hint,
    InputText,
    Lantern,
    Message,
    Press,
    ProbeStrip,
    RouterLink,
    RouterLinkActive,
    RouterOutlet,
    SettingsDialog,
    SidePanel,
    TourCard,
    Waiting,
  ],
  providers: [
    AnswersForShelf,
    Blocks,
    DesignSession,
    BenchView,
    DiagnosisView,
    JudgeView,
    BenchBoard,
    Selection,
    Site,
    Connecting,
    Player,
    Probes,
    Keys,
    Panes,
  ],
  templateUrl: './workbench.html',
  styleUrl: './workbench.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    '(document:keydown)': 'onKey($event)',
    '(document:beforeinput)': 'keys.typing.begin($event)',
    '(document:change)': 'keys.typing.end()',
    '(document:focusout)': 'keys.typing.end()',
    '(window:beforeunload)': 'session.flush()',
    '[style.grid-template-rows]': 'rows()',
  },
})
export class Workbench {
  readonly id = input.required<string>();

  protected readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  private readonly diagnosis = inject(DiagnosisView);
  protected readonly theme = inject(ThemeService);
  protected readonly panes = inject(Panes);
  protected readonly limits = paneLimits;
  protected readonly evidence = evidence;
  protected readonly keys = inject(Keys);
  private readonly router = inject(Router);
  protected readonly tour = inject(Tour);
  protected readonly steps = steps;
  protected readonly commandsOpen = signal(false);
  protected readonly settingsOpen = signal(false);
  protected readonly helpOpen = signal(false);
  protected readonly helpPart = signal<HelpPart>('keys');
  protected readonly aboutOpen = signal(false);
  protected readonly failure = signal<ApiError | undefined>(undefined);

  protected readonly saveBad = computed(() =>
    ['unsaved', 'conflict'].includes(this.session.save().state),
  );
  protected readonly saveText = computed(() => {
    const save = this.session.save();
    if (save.state === 'saved') return `Saved ${new Date(save.at).toLocaleTimeString()}`;
    if (save.state === 'saving') return 'Saving…';
    return save.state === 'conflict'
      ? save.reason
      : `${save.copied ? 'Kept in this browser, not saved' : 'Not saved'}: ${save.reason}.`;
  });
  /** What keeps the design from being saved, with what to do about it. */
  protected readonly unsaved = computed(() => {
    const save = this.session.save();
    if (save.state !== 'unsaved') return undefined;
    const place = save.copied
      ? 'Your work is kept in this browser'
      : 'Your work is on this page alone: leave it open';
    const again = save.again === undefined ? '' : `; saving is tried again in ${save.again} s`;
    return { ...save, where: `${place}${again}.` };
  });

  private readonly wrong = computed(() =>
    (this.diagnosis.roots()?.map((root) => root.finding) ?? this.view.findings()).filter(isOpen),
  );

  /** What is wrong by step: how many roots, or findings as long as those are not known, and whether any is an error. */
  protected readonly badges = computed(() => {
    const entries = steps.flatMap((step) => {
      const own = this.wrong().filter((f) => f.concern === step.concern);
      return own.length === 0 ? [] : [[step.name, { count: own.length, worst: worstOf(own) }]];
    });
    return Object.fromEntries(entries) as Record<string, { count: number; worst: string }>;
  });

  /** The same over all steps, in a few words. */
  protected readonly open = computed(() => {
    const wrong = this.wrong();
    const text = wrong.length === 1 ? '1 finding' : `${wrong.length || 'No'} findings`;
    return { text, worst: wrong.length > 0 ? worstOf(wrong) : undefined };
  });

  protected readonly rows = computed(
    () => `58px minmax(0, 1fr) ${this.panes.stripShown() ? this.panes.strip() : foldedStrip}px`,
  );

  /** Steps in which there is something that could have findings. */
  protected readonly begun = computed((): Record<string, boolean> => {
    const design = this.session.design();
    return {
      Plan: (design?.brief.needs.length ?? 0) > 0,
      Wire: (design?.parts.length ?? 0) > 0,
      Set: (design?.channels.length ?? 0) > 0,
      Act: (design?.rules.length ?? 0) > 0,
      Rehearse: (this.view.rehearsal()?.verdicts.length ?? 0) > 0,
    };
  });

  constructor() {
    const title = inject(Title);
    inject(PictureLayouter).start();
    toObservable(this.id)
      .pipe(
        switchMap((id) => this.fetch(id)),
        takeUntilDestroyed(),
      )
      .subscribe((failure) => this.failure.set(failure));
    inject(AnswersForShelf);
    effect(() => title.setTitle(`${this.session.design()?.title ?? 'Design'} · Yurei`));
  }

  /** What is to be done next, at the steps in which nothing is yet. */
  protected readonly next = computed((): Record<string, string> => {
    const design = this.session.design();
    if (!design) return {};
    if (design.parts.length === 0)
      return design.brief.needs.length > 0
        ? { Plan: 'take a sensor' }
        : { Plan: 'say what for', Wire: 'add a part' };
    const channels = design.channels.length > 0;
    const read = readable(design).length > 0;
    const hints = {
      Set: !channels && read ? 'no channel yet' : '',
      Act: channels && design.rules.length + design.machines.length === 0 ? 'no rule yet' : '',
      Rehearse: design.scenes.length === 0 ? 'no scene yet' : '',
    };
    return hints;
  });

  /** Goes to what an answer stands on: the rehearsal and its score, or the findings about what is stressed. */
  protected showEvidence(id: Answer['id']): void {
    const path = evidence[id];
    if (path) void this.router.navigate(['/design', this.id(), path]);
    if (id === 'survives') this.panes.sideOpen.set(true);
    else this.panes.rehearsal.set(id === 'lasts' ? 'score' : 'time');
  }

  protected rename(event: Event): void {
    const field = event.target as HTMLInputElement;
    const title = field.value.trim();
    if (title) this.session.edit({ type: 'describe', fields: { title } });
    else field.value = this.session.design()?.title ?? '';
  }

  /** Everything that is shown is written anew. */
  protected async startAnew(): Promise<void> {
    await this.session.flush();
    location.reload();
  }

  protected blur(event: Event): void {
    (event.target as HTMLInputElement).blur();
  }

  protected openHelp(part: HelpPart): void {
    this.helpPart.set(part);
    this.helpOpen.set(true);
  }

  protected onKey(event: KeyboardEvent): void {
    this.keys.handle(event, {
      go: (path) => void this.router.navigate(['/design', this.id(), path]),
      openCommands: () => this.commandsOpen.set(true),
      openHelp: () => this.openHelp('keys'),
    });
  }

  /** Opens a design; why it could not be. */
  private fetch(id: string): Observable<ApiError | undefined> {
    return this.session.open(id).pipe(
      map(() => undefined),
      catchError((error: unknown) => {
        if (!(error instanceof ApiError)) throw error;
        return of(error);
      }),
    );
  }
}

const worstOf = (findings: readonly Finding[]): 'error' | 'caution' =>
  findings.some((f) => f.severity === 'error') ? 'error' : 'caution';

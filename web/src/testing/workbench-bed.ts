import { readFileSync } from 'node:fs';
import { serialize } from 'node:v8';
import type { Type } from '@angular/core';
import { By } from '@angular/platform-browser';
import { Select } from 'primeng/select';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Design } from '@yurei/core/design';
import { casesOf } from '@yurei/core/trials';
import { concatMap, firstValueFrom, from, map, NEVER, range, timer } from 'rxjs';
import { bench } from '../app/bench/bench-core';
import { BenchService } from '../app/bench/bench';
import { piecesOf, type Judging } from '../app/bench/judging';
import { Comparing } from '../app/bench/comparing';
import { TrialsRunner } from '../app/bench/trials-runner';
import { Proving } from '../app/code/proving';
import { Api } from '../app/data/api';
import { BenchBoard } from '../app/data/bench-board';
import { BenchView } from '../app/data/bench-view';
import { DiagnosisView } from '../app/data/diagnosis-view';
import { DesignSession } from '../app/data/design-session';
import { JudgeView } from '../app/data/judge-view';
import { Studies } from '../app/data/studies';
import { Selection } from '../app/data/selection';
import { Site } from '../app/site/site';
import { Connecting } from '../app/picture/connecting';
import { LogReading } from '../app/set/log-reading';
import { readLog } from '../app/set/read-log';
import { Keys } from '../app/shell/keys';
import { Blocks } from '../app/wire/blocks';
import { Player } from '../app/data/player';
import { Panes } from '../app/data/panes';
import { Probes } from '../app/data/probes';
import { ShelfInMemory } from './shelf-in-memory';
import { StudiesInMemory } from './studies-in-memory';

/** A demo design, read afresh. */
export const demo = (name: string): Design =>
  JSON.parse(readFileSync(`demo/${name}.yurei.json`, 'utf8')) as Design;

export const slipwayBeam = (): Design => demo('slipway-beam');

type Bench = typeof bench;
type Asked<K extends keyof Bench> = jest.Mock<Promise<ReturnType<Bench[K]>>, Parameters<Bench[K]>>;

/** What the core answered in this file. */
const answers = new Map<string, unknown>();

/** Questions of the core, asked as in its workers; what was asked before in a file is not worked out again. */
const inThread = <K extends keyof Bench>(...names: K[]): { [Name in K]: Asked<Name> } =>
  Object.fromEntries(
    names.map((name) => {
      const ask = bench[name] as (...args: unknown[]) => unknown;
      const answer = async (...args: unknown[]): Promise<unknown> => {
        const question = name + serialize(args).toString('latin1');
        if (!answers.has(question)) answers.set(question, ask(...args));
        return answers.get(question);
      };
      return [name, jest.fn(answer)];
    }),
  ) as never;

/** Questions that take longer than a test should: not answered where a test does not ask for it. */
const unanswered = <K extends keyof Bench>(...names: K[]): { [Name in K]: Asked<Name> } =>
  Object.fromEntries(names.map((name) => [name, jest.fn(async () => undefined)])) as never;

const outcomesInThread: Judging['outcomes'] = (design, edits) =>
  from(piecesOf(design, edits)).pipe(
    concatMap((piece) => timer(0).pipe(map(() => piece))),
    map((piece) => ({ ...piece, outcomes: bench.outcomes(design, piece.scene, piece.edit) })),
  );

/** The core in this thread. */
export const benchInThread = () => ({
  quick: inThread('chain', 'look', 'curve', 'judge', 'judgeChannel'),
  patient: inThread(
    ...(['eitherOrs', 'does', 'explain', 'response', 'whatIf', 'ifInstead', 'averaging'] as const),
    ...(['cover', 'comparator', 'oscillations', 'ring', 'sampled', 'rehearse'] as const),
  ),
  timed: { ...unanswered('follow', 'runDown'), cancel: jest.fn() },
  trying: { ...inThread('diagnose', 'countOnTwo'), cancel: jest.fn() },
  judging: { outcomes: jest.fn(outcomesInThread) },
  placing: { ...inThread('places'), cancel: jest.fn() },
  moments: inThread('moment'),
});

/** Nights in this thread, one after the other. */
export const trialsInThread: TrialsRunner = {
  run: (design, study) => {
    const cases = casesOf(design, study).length;
    return range(0, cases * study.count).pipe(
      concatMap((i) => timer(0).pipe(map(() => i))),
      map((i) => bench.nights(design, study, [i])),
    );
  },
};

/** Sensors compared in this thread, one after the other. */
export const comparingInThread: Comparing = {
  cut: (design, scene) => timer(0).pipe(map(() => bench.powerCut(design, scene))),
  weigh: (design, edits) =>
    range(0, edits.length).pipe(
      concatMap((which) =>
        timer(0).pipe(map(() => ({ which, ...bench.weigh(design, edits[which]) }))),
      ),
    ),
  compare: (design, candidates) =>
    range(0, candidates.length).pipe(
      concatMap((i) => timer(0).pipe(map(() => bench.compare(design, candidates[i])))),
    ),
};

/** The text of an element as it is read: pieces apart, one kind of space. */
function textOf(element: Element): string {
  const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  const pieces: string[] = [];
  while (walker.nextNode()) pieces.push(walker.currentNode.textContent ?? '');
  return pieces.join(' ').replace(/\s+/g, ' ').trim();
}

/** By which the kit's lists still know some keys. */
const keyCodes: Readonly<Record<string, number>> = {
  PageUp: 33,
  PageDown: 34,
  ArrowUp: 38,
  ArrowDown: 40,
};

/** What is shown, read and handled as a maker would. */
export class Screen<T> {
  readonly host: HTMLElement;

  constructor(readonly fixture: ComponentFixture<T>) {
    this.host = fixture.nativeElement as HTMLElement;
  }

  async settle(): Promise<void> {
    for (let i = 0; i < 3; i++) {
      await this.fixture.whenStable();
      await new Promise((done) => setTimeout(done, 0));
      TestBed.tick();
    }
  }

  /** Waits for something that is computed after a while. */
  async until(good: () => boolean): Promise<void> {
    for (let i = 0; i < 1200 && !good(); i++) await new Promise((done) => setTimeout(done, 25));
    await this.settle();
    if (!good()) throw new Error(`Waited in vain; shown: ${this.text('*').slice(0, 400)}`);
  }

  /** What is told where the pointer rests. */
  async hintAt(element: Element): Promise<string> {
    element.dispatchEvent(new MouseEvent('mouseenter'));
    await new Promise((done) => setTimeout(done, 450));
    const told = document.querySelector('.p-tooltip')?.textContent ?? '';
    element.dispatchEvent(new MouseEvent('mouseleave'));
    return told;
  }

  all(css: string): HTMLElement[] {
    return [...document.querySelectorAll<HTMLElement>(css)];
  }

  find<E extends Element = HTMLElement>(css: string): E {
    const found = this.host.querySelector<E>(css) ?? document.querySelector<E>(css);
    if (!found) throw new Error(`Nothing shown matches ${css}`);
    return found;
  }

  text(css = '*'): string {
    return textOf(css === '*' ? this.host : this.find(css));
  }

  /** The field that carries this label, or is read out by it. */
  field<E extends HTMLElement = HTMLInputElement>(label: string): E {
    const found = this.all('label').find((l) => textOf(l) === label);
    const named = this.all('input, textarea, [role=combobox]');
    const field = found
      ? document.getElementById(found.getAttribute('for') ?? '')
      : named.find((f) => f.getAttribute('aria-label') === label);
    if (!field) throw new Error(`No field is called ${label}`);
    return field as E;
  }

  /** What a list of choices offers, in its words; it is left open. */
  async offered(label: string): Promise<HTMLElement[]> {
    const field = this.field<HTMLElement>(label);
    const options = () => {
      const list = document.getElementById(field.getAttribute('aria-controls') ?? '-');
      return [...(list?.querySelectorAll<HTMLElement>('[role=option]') ?? [])];
    };
    const isOpen = (): boolean => field.getAttribute('aria-expanded') === 'true';
    // A list that is there may still be closing from the last time.
    for (let i = 0; i < 40; i++) {
      if (!isOpen()) field.click();
      await this.settle();
      if (isOpen() && options().length > 0) break;
    }
    return options();
  }

  /** Takes one of a list of choices, by its words. */
  async choose(label: string, choice: string | RegExp): Promise<void> {
    const options = await this.offered(label);
    const fits = (o: HTMLElement) =>
      choice instanceof RegExp ? choice.test(textOf(o)) : textOf(o) === choice;
    const option = options.find(fits);
    if (!option)
      throw new Error(`${label} does not offer ${choice}: ${options.map(textOf).join(', ')}`);
    option.click();
    await this.settle();
  }

  /** Takes an entry of the menu that a button opens. */
  async menu(button: string, entry: string | RegExp): Promise<void> {
    await this.press(button);
    const entries = this.all('[role=menuitem] a, .p-menu-item-link');
    const found = entries.find((e) =>
      entry instanceof RegExp ? entry.test(textOf(e)) : textOf(e) === entry,
    );
    if (!found) throw new Error(`${button} does not offer ${entry}: ${entries.map(textOf)}`);
    found.click();
    await this.settle();
  }

  /** What a list of choices stands on, and what it offers: values with their words. */
  choices(field: HTMLElement): { value: string; label: string }[] {
    const select = this.fixture.debugElement
      .queryAll(By.directive(Select))
      .find((s) => (s.nativeElement as HTMLElement).contains(field));
    return (select?.componentInstance as Select).options as { value: string; label: string }[];
  }

  /** Types into a field; in a list of choices takes that which stands for the value. */
  async type(label: string, value: string): Promise<void> {
    const field = this.field(label);
    if (field.getAttribute('role') === 'combobox' && field.tagName !== 'INPUT') {
      const choice = this.choices(field).find((c) => c.value === value);
      return this.choose(label, choice?.label ?? value);
    }
    field.value = value;
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('change'));
    await this.settle();
  }

  async press(label: string): Promise<void> {
    const button = this.all('button, p-togglebutton').find(
      (b) => textOf(b) === label || b.getAttribute('aria-label') === label,
    );
    if (!button) throw new Error(`No button is called ${label}`);
    button.click();
    await this.settle();
  }

  async click(css: string): Promise<void> {
    this.find<SVGElement | HTMLElement>(css).dispatchEvent(
      new MouseEvent('click', { bubbles: true }),
    );
    await this.settle();
  }

  async key(
    target: EventTarget,
    key: string,
    more: KeyboardEventInit = {},
  ): Promise<KeyboardEvent> {
    const event = new KeyboardEvent('keydown', {
      key,
      keyCode: keyCodes[key],
      bubbles: true,
      cancelable: true,
      ...more,
    });
    target.dispatchEvent(event);
    await this.settle();
    return event;
  }
}

/** ELK offers its worker's code as a class that runs in this thread. */
export function elkInThread(): void {
  const { Worker } = jest.requireActual<{ Worker: typeof globalThis.Worker }>(
    'elkjs/lib/elk-worker.min.js',
  );
  globalThis.Worker = Worker;
}

/** A workbench with a design open, on the real core; the server is stood in for. */
export async function openBench(design: Design = slipwayBeam()) {
  localStorage.clear();
  elkInThread();
  const shelf = new ShelfInMemory(design);
  const workers = benchInThread();
  const studies = new StudiesInMemory(shelf);
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: Api, useValue: shelf },
      { provide: BenchService, useValue: workers },
      { provide: Studies, useValue: studies },
      { provide: TrialsRunner, useValue: trialsInThread },
      { provide: Proving, useValue: { prove: () => NEVER } },
      { provide: Comparing, useValue: comparingInThread },
      { provide: LogReading, useValue: { read: readLog, cancel: () => undefined } },
      ...[
        DesignSession,
        BenchView,
        DiagnosisView,
        Selection,
        Site,
        Connecting,
        Player,
        Panes,
        Probes,
        Keys,
        Blocks,
      ],
      JudgeView,
      BenchBoard,
    ],
  });
  const session = TestBed.inject(DesignSession);
  await firstValueFrom(session.open('d1'));
  return {
    shelf,
    studies,
    workers,
    session,
    view: TestBed.inject(BenchView),
    diagnosis: TestBed.inject(DiagnosisView),
    selection: TestBed.inject(Selection),
    player: TestBed.inject(Player),
    probes: TestBed.inject(Probes),
    connecting: TestBed.inject(Connecting),
    keys: TestBed.inject(Keys),
  };
}

/** Shows a component with inputs. */
export async function show<T>(
  component: Type<T>,
  inputs: Record<string, unknown> = {},
): Promise<Screen<T>> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  const screen = new Screen(fixture);
  await screen.settle();
  return screen;
}

/** Shows a component once the circuit is solved and the scene has been rehearsed. */
export async function showSolved<T>(
  component: Type<T>,
  inputs: Record<string, unknown> = {},
): Promise<Screen<T>> {
  const screen = await show(component, inputs);
  const view = TestBed.inject(BenchView);
  await screen.until(() => view.snapshot() !== undefined && !view.rehearsing());
  return screen;
}

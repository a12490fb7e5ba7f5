import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { nameOf, withoutAttachments, type Design } from '@yurei/core/design';
import { sayRate, upperCount } from '@yurei/core/judge';
import {
  contactLives,
  electrodeLives,
  isBrief,
  sayLife,
  type ContactLife,
  type ElectrodeLife,
  type RunDown,
} from '@yurei/core/lifetime';
import { decimals, formatQuantity, toDigits } from '@yurei/core/quantity';
import { scoreRehearsal, type Rehearsal, type Sampled } from '@yurei/core/rehearsal';
import { concatMap, from, map, scan, type Observable } from 'rxjs';
import { Message } from 'primeng/message';
import { BenchService } from '../bench/bench';
import { HelpHint } from '../common/help-hint';
import { Press } from '../common/press';
import { answerTo } from '../data/answer';
import { BenchView, type Rehearsed } from '../data/bench-view';

interface Line {
  what: string;
  told: string;
  more: string;
  bad: boolean;
  /** A time to look at. */
  at?: number;
  /** It tells how long something lasts. */
  lasts?: true;
}

const day = 86_400;

/** What one rehearsal comes to: false triggers, chatter, what wears out, energy, blind times, and what sampling may miss. */
@Component({
  selector: 'yu-score-card',
  imports: [HelpHint, Message, Press],
  template: `
    @for (line of lines(); track $index) {
      <div class="line" [class.bad]="line.bad">
        <b>
          {{ line.what }}
          @if (line.lasts) {
            <yu-help on="lasts" />
          }
        </b>
        <span class="value">{{ line.told }}</span>
        <span class="soft">{{ line.more }}</span>
        @if (line.at !== undefined) {
          <button yuPress="bare" (click)="view.moveTo(line.at)">
            look at {{ decimals(line.at, 2) }} s
          </button>
        }
      </div>
    } @empty {
      <p class="soft" role="status">{{ view.rehearsing() ? 'Rehearsing…' : 'Not rehearsed.' }}</p>
    }
    @if (trouble(); as trouble) {
      <p-message severity="error" size="small" variant="simple">{{ trouble }}</p-message>
    }
  `,
  styles: `
    :host {
      display: block;
      flex: 1.25;
      min-height: 0;
      overflow: auto;
      padding: 4px 14px;
      font-size: var(--type-small);
    }
    .line {
      display: grid;
      grid-template-columns: minmax(150px, 1.2fr) minmax(150px, 1fr) minmax(0, 1.8fr) 116px;
      gap: 2px 12px;
      padding: 4px 9px;
      border-left: 4px solid var(--moss);
      border-bottom: 1px solid var(--rule);
    }
    .line.bad {
      border-left-color: var(--lantern);
    }
    .value {
      font-family: var(--mono);
    }
    button {
      text-decoration: underline;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScoreCard {
  protected readonly decimals = decimals;
  protected readonly view = inject(BenchView);
  private readonly bench = inject(BenchService);
  private readonly sampling = answerTo(
    () => this.view.rehearsed(),
    (rehearsed) => this.sample(rehearsed),
  );
  protected readonly trouble = computed(() => this.sampling().trouble);

  protected readonly lines = computed((): Line[] => {
    const rehearsed = this.view.rehearsed();
    if (!rehearsed) return [];
    const { design, rehearsal } = rehearsed;
    const scene = design.scenes.find((s) => s.id === rehearsed.scene);
    const { falses, chatter, energy, blind } = scoreRehearsal(design, rehearsal);
    const sampled = this.sampling().found;
    const { duration } = rehearsal;
    const atMost = (day * upperCount(falses.count)) / duration;
    return [
      {
        what: 'False triggers',
        told: `${falses.count} in ${formatQuantity(duration, 's')}`,
        more: `${falses.count > 0 ? `${sayRate(falses.perDay)} of this, ` : ''}at most ${sayRate(atMost)} (95 % sure)`,
        bad: falses.count > 0,
      },
      ...(sampled?.of === rehearsal ? sampled.lines : []),
      ...blind.map(({ name, seconds, from, because }): Line => ({
        what: `${name} blind`,
        told: seconds > 0 ? formatQuantity(seconds, 's') : 'never',
        more: seconds > 0 ? `at most, ${because}` : 'an edge wakes it',
        bad: false,
        ...(seconds > 0 ? { at: from } : {}),
      })),
      ...(chatter.length === 0
        ? [{ what: 'Chatter', told: 'none', more: 'no answer went to and fro', bad: false }]
        : chatter.map(({ name, changes, first }): Line => ({
            what: `${name} chatters`,
            told: `${changes} ${changes === 1 ? 'change' : 'changes'} too many`,
            more: 'the third or more within a second',
            bad: true,
            at: first,
          }))),
      ...contactLives(design, rehearsal, 1).map((life) => contactLine(design, life)),
      ...(scene ? electrodeLives(design, scene, rehearsal, 1) : []).map((life) =>
        electrodeLine(design, life),
      ),
      ...(this.view.runningDown() ? [beingFollowed] : batteryLines(design, this.view.runDown())),
      energy
        ? {
            what: 'Energy',
            told: formatQuantity(energy.joules, 'J'),
            more: `${formatQuantity(energy.watts, 'W')} on the average, ${formatQuantity(energy.most, 'W')} at most, from all sources`,
            bad: false,
          }
        : { what: 'Energy', told: 'none', more: 'no source gives anything', bad: false },
    ];
  });

  /** Tries wanted happenings with other beginnings, one after the other. */
  private sample({
    design,
    scene,
    rehearsal,
  }: Rehearsed): Observable<{ of: Rehearsal; lines: Line[] }> {
    const lean = withoutAttachments(design);
    const wanted = design.scenes
      .find((s) => s.id === scene)
      ?.happenings.filter((h) => h.intent === 'wanted');
    return from(wanted ?? []).pipe(
      concatMap(async ({ id, name }) => {
        const found = await this.bench.patient.sampled(lean, scene, rehearsal, id);
        return found ? [sampledLine(name, found)] : [];
      }),
      scan((lines, more) => [...lines, ...more], [] as Line[]),
      map((lines) => ({ of: rehearsal, lines })),
    );
  }
}

const sampledLine = (name: string, { missed, tried, every }: Sampled): Line => ({
  what: `“${name}”, whenever it begins`,
  told: tried > 0 ? `missed ${missed} of ${tried} times` : 'never missed by that',
  more:
    tried > 0
      ? `begun at ${tried} moments over the ${formatQuantity(every, 's')} between two readings`
      : `felt for more than twenty readings, at most ${formatQuantity(every, 's')} apart`,
  bad: missed > 0,
});

function contactLine(design: Design, { part, relay, operations, bear, lasts }: ContactLife): Line {
  const name = nameOf(design.parts, part);
  return {
    what: relay === 'relay' ? name : `${name}, ${relay}`,
    told: `pulled in ${operations} ${operations === 1 ? 'time' : 'times'}`,
    more:
      operations === 0
        ? 'not switched in this scene'
        : `its contacts last ${sayLife(lasts)} where such a scene comes once a day (${decimals(bear, 0)} operations, common practice)`,
    bad: isBrief('contacts', lasts),
    lasts: true,
  };
}

function electrodeLine(design: Design, { part, aDay, bear, lasts }: ElectrodeLife): Line {
  return {
    what: `Electrodes of ${nameOf(design.parts, part)}`,
    told: `${formatQuantity(aDay / 3600, 'A·h')} a day`,
    more:
      lasts < Infinity
        ? `one is eaten up in ${sayLife(lasts)} where such a scene comes once a day (${formatQuantity(bear / 3600, 'A·h')} by Faraday’s law)`
        : 'nothing flows through them',
    bad: isBrief('electrodes', lasts),
    lasts: true,
  };
}

const beingFollowed: Line = {
  what: 'Batteries',
  told: '…',
  more: 'are being followed down through days like this',
  bad: false,
  lasts: true,
};

/** How much of each battery a day takes, and what ends it. */
function batteryLines(design: Design, down: RunDown | undefined): Line[] {
  if (!down) return [];
  const share = (aDay: number): string => `${toDigits(100 * Math.abs(aDay), 2)} %`;
  return Object.entries(down.aDay).map(([part, { all, atRest }]): Line => {
    const taken =
      all > 0 ? `loses ${share(all)} a day, at rest ${share(atRest)}` : `gains ${share(all)} a day`;
    const ends = part === down.part && down.lasts < Infinity ? `; in the end ${down.because}` : '';
    return {
      what: nameOf(design.parts, part),
      told: part === down.part ? sayLife(down.lasts) : '',
      more: `${taken}, where such a scene comes once a day and light and air stay so${ends}`,
      bad: isBrief('battery', down.lasts),
      lasts: true,
    };
  });
}

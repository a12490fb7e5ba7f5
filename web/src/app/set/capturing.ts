import { radians } from '@yurei/core/quantity';
import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { kindOf } from '@yurei/core/catalog';
import {
  freshId,
  type Channel,
  type Conditions,
  type Happening,
  type Part,
  type ReadingSet,
} from '@yurei/core/design';
import {
  ambientOf,
  draftHappening,
  findHappeningKind,
  fittingKinds,
  lightAt,
  temperatureAt,
} from '@yurei/core/scene';
import { wiringOf } from '@yurei/core/wiring';
import { reasonOf } from '../data/answer';
import { BenchBoard } from '../data/bench-board';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { JudgeView } from '../data/judge-view';
import { Selection } from '../data/selection';

export type Intent = ReadingSet['intent'];

/** What a new set is made of, besides what every set has. */
export type NewSet = Pick<ReadingSet, 'counts' | 'every' | 'origin'> &
  Partial<Pick<ReadingSet, 'name' | 'intent' | 'conditions' | 'notes' | 'taken'>>;

/** What is let happen by hand goes on for so long unless it is stopped, s. */
const whileCapturing = 600;

/** What the next capture will be called and count as: follows what the stand-in lets happen. */
@Injectable()
export class Capturing {
  private readonly session = inject(DesignSession);
  private readonly board = inject(BenchBoard);
  private readonly judging = inject(JudgeView);
  private readonly selection = inject(Selection);
  private readonly view = inject(BenchView);

  /** Readings of one capture. */
  readonly wanted = signal(20);
  readonly intent = linkedSignal((): Intent => this.board.running()?.intent ?? 'quiet');
  readonly name = linkedSignal(() => this.nameFor(this.intent(), this.board.running()));
  /** Why the last capture did not come about, or was not kept. */
  readonly refusal = signal('');

  /** Where what happens is put, from the sensor straight ahead, m; undefined leaves it where the scene has it. */
  readonly distance = signal<number | undefined>(undefined);

  /** The sensor that the channel reads. */
  readonly sensor = computed((): Part | undefined => {
    const [design, channel] = [this.session.design(), this.judging.channel()];
    if (!design || !channel) return undefined;
    const senses = (part: Part): boolean => kindOf(part).senses !== undefined;
    const own = design.parts.find((p) => channel.pin.startsWith(`${p.id}.`) && senses(p));
    return (
      own ??
      wiringOf(design)
        .ends(channel.pin)
        .map((e) => e.part)
        .find(senses)
    );
  });

  /**
   * A happening of the scene as it is started now: put at the distance that was asked for, and going on until it is
   * stopped, if it is one that lasts.
   */
  placed(happening: Happening): Happening {
    const kind = findHappeningKind(happening.kind);
    const lasts = kind?.params.find((p) => p.id === 'lasts');
    const params = lasts
      ? { ...happening.params, lasts: Math.min(lasts.max, whileCapturing) }
      : happening.params;
    const [distance, sensor] = [this.distance(), this.sensor()];
    if (distance === undefined || !sensor?.place || kind?.where !== 'point')
      return { ...happening, params };
    const { x, y, facing } = sensor.place;
    const turn = radians(facing);
    const point = { x: x + distance * Math.cos(turn), y: y + distance * Math.sin(turn) };
    return { ...happening, name: `${distance} m, ${happening.name}`, params, path: [point] };
  }

  /** Captures the next readings of the channel as a set. */
  async capture(channel: Channel): Promise<void> {
    this.refusal.set('');
    const [name, intent, conditions] = [this.name(), this.intent(), this.conditionsNow()];
    try {
      const origin = this.board.kind() === 'stand-in' ? 'stand-in' : 'board';
      const captured = await this.board.capture(channel, this.wanted());
      this.keep(channel, { ...captured, origin, name, intent, conditions });
    } catch (error) {
      this.refusal.set(reasonOf(error));
    }
  }

  /** Adds a set to the design and picks it. */
  keep(channel: Channel, set: NewSet): boolean {
    const ids = (this.session.design()?.readings ?? []).map((r) => r.id);
    const id = freshId('set', ids);
    const intent = set.intent ?? this.intent();
    const kept = this.session.edit({
      type: 'put-readings',
      set: {
        id,
        channel: channel.id,
        intent,
        taken: new Date().toISOString(),
        excluded: [],
        conditions: {},
        notes: '',
        ...set,
        name: this.distinct(set.name?.trim() || this.nameFor(intent, undefined)).slice(0, 120),
      },
    });
    if (kept) this.selection.pick('readings', id);
    this.refusal.set(kept ? '' : this.session.refusal());
    return kept;
  }

  /** What the stand-in's surroundings are; of a real bench nothing is known. */
  private conditionsNow(): Conditions {
    if (this.board.kind() !== 'stand-in') return {};
    const { ambient = {}, seed = 1 } = this.session.design()?.scenes[0] ?? {};
    const sensor = this.sensor();
    const [point] = this.board.running()?.path ?? [];
    const place = sensor?.place;
    const distance = point && place && Math.hypot(point.x - place.x, point.y - place.y);
    return {
      light: round(lightAt({ ambient, seed }, 0)),
      temperature: round(temperatureAt(ambientOf({ ambient }), 0)),
      ...(distance === undefined ? {} : { distance: round(distance) }),
    };
  }

  private nameFor(intent: Intent, running: Happening | undefined): string {
    if (running) return running.name;
    return { quiet: 'Quiet', wanted: 'Wanted', nuisance: 'Nuisance' }[intent];
  }

  /** A name that no other set of the channel has. */
  private distinct(name: string): string {
    const taken = new Set(this.judging.sets().map((s) => s.name));
    let n = 2;
    let free = name;
    while (taken.has(free)) free = `${name} ${n++}`;
    return free;
  }

  /** What can be let happen: what the scene has, then whatever else the sensors feel, as it usually comes. */
  readonly happenings = computed((): readonly Happening[] => {
    const design = this.session.design();
    const planned = this.view.scene()?.happenings ?? [];
    if (!design) return planned;
    const kinds = new Set(planned.map((h) => h.kind));
    const others = fittingKinds(design).filter((k) => !kinds.has(k.kind));
    return [
      ...planned,
      ...others.map((kind) =>
        draftHappening(design, kind, {
          id: `usual-${kind.kind}`,
          start: 0,
          intent: kind.usually ?? 'wanted',
        }),
      ),
    ];
  });
}

const round = (value: number): number => Number(value.toPrecision(3));

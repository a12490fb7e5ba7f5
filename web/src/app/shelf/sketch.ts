import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { DesignSketch } from '@yurei/core/exchange';

const size = { width: 300, height: 104, sign: 20 };
const columns = 5;
const rounds = 4;

interface Placed {
  x: number;
  y: number;
  glyph: string;
}

/** A design small: the signs of its parts in the columns of the picture, joined where signals go. */
@Component({
  selector: 'yu-sketch',
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + size.width + ' ' + size.height"
      role="img"
      [attr.aria-label]="label()"
    >
      @for (line of drawn().lines; track $index) {
        <path class="wire" [attr.d]="line" />
      }
      @for (part of drawn().parts; track $index) {
        <g [attr.transform]="'translate(' + part.x + ' ' + part.y + ')'">
          <rect x="-13" y="-13" width="26" height="26" rx="4" />
          <path class="sign" transform="translate(-10 -10) scale(0.8333)" [attr.d]="part.glyph" />
        </g>
      }
    </svg>
  `,
  styleUrl: './sketch.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Sketch {
  readonly sketch = input.required<DesignSketch>();
  readonly label = input.required<string>();
  protected readonly size = size;
  protected readonly drawn = computed(() => draw(this.sketch()));
}

/** Parts one below the other in their columns, each beside what it is joined with; supplies are left out. */
export function draw({ parts, wires }: DesignSketch): { parts: Placed[]; lines: string[] } {
  const shown = parts.map((p, i) => ({ ...p, i })).filter((p) => p.stage < columns);
  const lanes = Array.from({ length: columns }, (_, stage) =>
    shown.filter((p) => p.stage === stage).map((p) => p.i),
  ).filter((lane) => lane.length > 0);
  const neighbours = new Map<number, number[]>();
  for (const [a, b] of wires) {
    neighbours.set(a, [...(neighbours.get(a) ?? []), b]);
    neighbours.set(b, [...(neighbours.get(b) ?? []), a]);
  }
  const height = new Map<number, number>();
  const settle = (lane: readonly number[]): void =>
    lane.forEach((part, place) => height.set(part, (place + 0.5) / lane.length));
  lanes.forEach(settle);
  for (let round = 0; round < rounds; round++)
    for (const lane of lanes) {
      const pull = (part: number): number => {
        const near = (neighbours.get(part) ?? []).flatMap((n) => height.get(n) ?? []);
        return near.length === 0
          ? (height.get(part) ?? 0)
          : near.reduce((sum, h) => sum + h, 0) / near.length;
      };
      const pulls = new Map(lane.map((part) => [part, pull(part)]));
      lane.sort((a, b) => (pulls.get(a) ?? 0) - (pulls.get(b) ?? 0));
      settle(lane);
    }
  return place(lanes, parts, wires);
}

/** A lane that would be too full stands in two or more rows of signs. */
function place(
  lanes: readonly (readonly number[])[],
  parts: DesignSketch['parts'],
  wires: DesignSketch['wires'],
): { parts: Placed[]; lines: string[] } {
  const most = 3;
  const strips = lanes.flatMap((lane) => {
    const count = Math.ceil(lane.length / most);
    const per = Math.ceil(lane.length / count);
    return Array.from({ length: count }, (_, k) => lane.slice(k * per, (k + 1) * per));
  });
  const at = new Map<number, Placed>();
  const step = Math.min(70, (size.width - 30) / Math.max(1, strips.length));
  const left = (size.width - step * (strips.length - 1)) / 2;
  strips.forEach((strip, column) =>
    strip.forEach((part, row) =>
      at.set(part, {
        x: left + column * step,
        y: (size.height * (row + 0.5)) / strip.length,
        glyph: parts[part]?.glyph ?? '',
      }),
    ),
  );
  const lines = wires.flatMap(([a, b]) => {
    const [from, to] = [at.get(a), at.get(b)];
    if (!from || !to) return [];
    const middle = (from.x + to.x) / 2;
    return [`M${from.x} ${from.y}C${middle} ${from.y} ${middle} ${to.y} ${to.x} ${to.y}`];
  });
  return { parts: [...at.values()], lines: [...new Set(lines)] };
}

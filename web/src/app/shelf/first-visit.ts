import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { Button } from 'primeng/button';

/** What this is, for someone who is here for the first time, and three doors in. */
@Component({
  selector: 'yu-first-visit',
  imports: [Button],
  template: `
    <p>
      Here you plan, wire and rehearse circuits that notice something and act on it, before anything
      is soldered. Every wire shows its volts, every threshold its room, and a scene of your place
      is played against the circuit. You see what it will notice, what will set it off wrongly, and
      what it will not survive.
    </p>
    <div class="doors">
      <p-button
        label="Look at an example"
        icon="pi pi-eye"
        size="small"
        (onClick)="example.emit()"
      />
      <p-button
        label="Begin with what must be noticed"
        icon="pi pi-bolt"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="begin.emit()"
      />
      <p-button
        label="Bring a design file"
        icon="pi pi-upload"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="file.emit()"
      />
      <p-button
        label="Do not show this again"
        size="small"
        severity="secondary"
        variant="text"
        (onClick)="done.emit()"
      />
    </div>
  `,
  styles: `
    :host {
      display: block;
      border: 1px solid var(--rule);
      border-left: 4px solid var(--indigo);
      border-radius: var(--round);
      background: var(--raised);
      padding: 16px 20px;
      margin-bottom: 20px;
    }
    p {
      max-width: 860px;
    }
    .doors {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 10px;
      margin-top: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FirstVisit {
  readonly example = output();
  readonly begin = output();
  readonly file = output();
  readonly done = output();
}

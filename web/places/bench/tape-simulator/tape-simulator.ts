import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { parseLength } from '@neat-measure/core';
import { DeviceService } from '../../../data/device-service';
import { UnitService } from '../../../data/unit-service';
import { SimulatedTape } from './simulated-tape';

/** A tape to try the Bench with: pull a length, and it is sent as a real tape would send it. */
@Component({
  selector: 'nm-tape-simulator',
  imports: [RouterLink],
  template: `
    <a routerLink="/bench">Back to the docket</a>
    <h1>Practice tape</h1>
    <p>
      Pair the Bench with <b class="num">{{ device }}</b> in another window, then pull lengths here.
    </p>
    <form (submit)="pull(length.value); $event.preventDefault(); length.select()">
      <label
        >Length, {{ units.unit() }}
        <input #length class="length num" type="text" inputmode="decimal" autocomplete="off"
      /></label>
      <button type="submit">Pull</button>
    </form>
    <fieldset>
      <legend>What it does wrong</legend>
      <label
        >Noise, mm
        <input
          type="number"
          min="0"
          max="50"
          step="1"
          [value]="noise()"
          (input)="noise.set(+$any($event.target).value)"
      /></label>
      <label
        ><input type="checkbox" [checked]="drops()" (change)="drops.set(!drops())" /> drops a third of its
        readings and sends them late</label
      >
      <label
        ><input type="checkbox" [checked]="doubles()" (change)="doubles.set(!doubles())" /> sends every
        reading twice</label
      >
    </fieldset>
    <p class="said" role="status">{{ said() }}</p>
  `,
  styles: `
    :host {
      display: block;
      max-width: 640px;
      padding: 20px 34px;
    }
    a {
      display: inline-flex;
      align-items: center;
      min-height: var(--target);
    }
    h1 {
      font-size: 34px;
      font-weight: 720;
    }
    form {
      display: flex;
      align-items: flex-end;
      gap: 12px;
      margin-top: 16px;
      padding-bottom: 12px;
      border-bottom: 4px solid var(--tape);
    }
    label {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px;
      min-height: var(--target);
    }
    input {
      min-height: var(--target);
      border: 1px solid var(--line-strong);
      border-radius: var(--radius);
      background: var(--paper);
      font: inherit;
    }
    .length {
      width: 240px;
      font: 600 44px var(--figures);
    }
    button {
      min-height: 58px;
      padding: 0 28px;
      border: 0;
      border-radius: var(--radius);
      background: var(--green);
      color: var(--paper);
      font: 650 17px var(--text);
      cursor: pointer;
    }
    fieldset {
      margin: 16px 0 0;
      padding: 0;
      border: 0;
    }
    legend {
      color: var(--soft);
    }
    .said {
      min-height: 30px;
      margin-top: 14px;
      font-size: 17px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TapeSimulator {
  private readonly devices = inject(DeviceService);
  protected readonly units = inject(UnitService);

  protected readonly device = 'practice-tape';
  /** Counting from the clock, a tape started again never uses a number twice. */
  private readonly tape = new SimulatedTape(this.device, Math.floor(Date.now() / 1_000));
  protected readonly noise = signal(0);
  protected readonly drops = signal(false);
  protected readonly doubles = signal(false);
  protected readonly said = signal('');

  protected pull(text: string): void {
    const read = parseLength(text, this.units.unit());
    if (!read.ok) return this.said.set('Write a length first, such as 98 or 38 1/2.');
    const faults = {
      noise: this.noise(),
      dropOuts: this.drops() ? 1 / 3 : 0,
      doubles: this.doubles() ? 1 : 0,
    };
    const lines = this.tape.pull(read.value.length / 1_000, faults, new Date());
    if (lines.length === 0) return this.said.set('Dropped; it comes with the next one.');
    this.devices.send(lines).subscribe({
      next: ({ taken, repeated }) =>
        this.said.set(`Sent: ${taken} new${repeated > 0 ? `, ${repeated} repeated` : ''}.`),
      error: () => this.said.set('It could not be sent. Look at the network, then pull again.'),
    });
  }
}

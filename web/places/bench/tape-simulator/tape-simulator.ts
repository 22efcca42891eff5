import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { parseLength } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { DeviceService } from '../../../data/device-service';
import { UnitService } from '../../../data/unit-service';
import { SimulatedTape } from './simulated-tape';

/** A tape to try the Bench with: pull a length, and it is sent as a real tape would send it. */
@Component({
  selector: 'nm-tape-simulator',
  imports: [RouterLink, NzButtonModule, NzInputModule, NzCheckboxModule, NzInputNumberModule, FormsModule],
  template: `
    <a routerLink="/bench">Back to the docket</a>
    <h1>Practice tape</h1>
    <p>
      Pair the Bench with <b class="num">{{ device }}</b> in another window, then pull lengths here.
    </p>
    <form (submit)="pull(length.value); $event.preventDefault(); length.select()">
      <label class="field"
        >Length, {{ units.entered() }}
        <input nz-input #length class="length num" type="text" inputmode="decimal" autocomplete="off"
      /></label>
      <button nz-button nzType="primary" nzSize="large" type="submit">Pull</button>
    </form>
    <fieldset>
      <legend class="soft">Simulated faults</legend>
      <div class="field">
        <label for="tape-noise">Noise, mm</label>
        <nz-input-number nzId="tape-noise" [nzMin]="0" [nzMax]="50" [(ngModel)]="noise" />
      </div>
      <label nz-checkbox [(ngModel)]="drops">drops a third of its readings and sends them late</label>
      <label nz-checkbox [(ngModel)]="doubles">sends every reading twice</label>
    </fieldset>
    <p class="said" role="status">{{ said() }}</p>
  `,
  styles: `
    form {
      display: flex;
      align-items: flex-end;
      gap: 12px;
      margin-top: 16px;
      padding-bottom: 12px;
      border-bottom: 4px solid var(--tape);
    }
    .length {
      width: 240px;
      height: 64px;
      font-size: 44px;
      font-weight: 600;
    }
    .said {
      min-height: 30px;
      margin-top: 14px;
      font-size: 17px;
    }
  `,
  host: { class: 'page' },
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
    const read = parseLength(text, this.units.entered());
    if (!read.ok) return this.said.set('Enter a length first, such as 98 or 38 1/2.');
    const faults = {
      noise: this.noise(),
      dropOuts: this.drops() ? 1 / 3 : 0,
      doubles: this.doubles() ? 1 : 0,
    };
    const lines = this.tape.pull(read.value.length / 1_000, faults, new Date());
    if (lines.length === 0) return this.said.set('Dropped. It is sent with the next reading.');
    this.devices.send(lines).subscribe({
      next: ({ taken, repeated }) =>
        this.said.set(`Sent: ${taken} new${repeated > 0 ? `, ${repeated} repeated` : ''}.`),
      error: () => this.said.set('The reading could not be sent. Check the network, then pull again.'),
    });
  }
}

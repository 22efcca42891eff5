import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { AwayDevice, Missing } from '@neat-measure/contract';
import { counted } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { sayOff } from '../../data/away/say-off';
import { Fetched } from '../../data/fetched';
import { HouseService } from '../../data/house-service';
import { Fetching } from '../../parts/fetching/fetching';
import { sayAgent, sayMoment } from './say-role';

/** Devices that took a muster along to work without a network: where they stand, and one that is lost is ended here. */
@Component({
  selector: 'nm-devices',
  imports: [Fetching, NzButtonModule, NzPopconfirmModule, RouterLink],
  template: `
    <h2 class="title">Devices</h2>
    <p>
      These devices took a muster along to work without a network. What is on them is sealed. End a device
      that is lost: it erases itself as soon as it has a network.
    </p>
    @if (!secure) {
      <p class="note">
        This page came without https. A device can then work on while the network is away, but it cannot open
        this page again. Ask whoever runs the server for https; the handbook for operating it says how.
      </p>
    }
    @if (trouble()) {
      <p class="fault" role="alert">{{ trouble() }}</p>
    }
    <nm-fetching [of]="devices" words="Loading devices" />
    <ul class="rows">
      @for (one of devices.value(); track one.id) {
        <li class="line">
          <span class="what">
            <b
              >{{ sayAgent(one.agent) }}{{ one.fitters.length === 0 ? '' : ', ' + one.fitters.join(', ') }}</b
            >
            <small>
              @if (one.muster; as muster) {
                <a [routerLink]="['/roll', muster.id]">{{ muster.name }}</a>
                ·
              }
              taken along {{ sayMoment(one.takenAt) }} · last heard {{ sayMoment(one.heardAt) }}</small
            >
            @if (one.clockOff !== 0) {
              <small>{{ sayOff(one.clockOff) }} Its moments are kept with the difference beside.</small>
            }
            @if (said(one); as words) {
              <small>{{ words }}</small>
            }
            @if (one.missing.length > 0) {
              <small class="fault">{{ sayMissing(one) }}</small>
              <small>
                @for (docket of one.missing; track docket.docketId) {
                  @if (docket.number !== null) {
                    <a [routerLink]="['/bench', docket.docketId]">{{ name(docket) }}</a>
                  } @else {
                    {{ name(docket) }}
                  }
                  {{ $last ? '' : ' · ' }}
                }
              </small>
            }
          </span>
          @if (one.endedAt === null) {
            <button
              nz-button
              type="button"
              nz-popconfirm
              nzPopconfirmTitle="End this device? It erases everything on it. Changes that were not sent are lost unless someone is signed in there."
              nzOkText="End device"
              nzOkDanger
              [disabled]="busy()"
              (nzOnConfirm)="end(one.id)"
            >
              End device
            </button>
          }
        </li>
      } @empty {
        @if (devices.value()) {
          <li class="line soft">No device has taken a muster along.</li>
        }
      }
    </ul>
  `,
  styleUrl: './desk.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Devices {
  private readonly house = inject(HouseService);
  protected readonly devices = new Fetched<readonly AwayDevice[]>(() => this.house.awayDevices());
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  protected readonly secure = globalThis.isSecureContext;
  protected readonly sayMoment = sayMoment;
  protected readonly sayAgent = sayAgent;
  protected readonly sayOff = sayOff;

  protected said({ endedAt, endedBy, erasedAt }: AwayDevice): string {
    if (endedAt === null) return '';
    const by = `Ended by ${endedBy?.name ?? 'a lead fitter'}, ${sayMoment(endedAt)}.`;
    return erasedAt === null
      ? `${by} It has not been heard since; what is on it stays sealed.`
      : `${by} Erased ${sayMoment(erasedAt)}.`;
  }

  /** What has not come from it, in a sentence. */
  protected sayMissing({ missing }: AwayDevice): string {
    const waits = missing.filter(({ station }) => station === null);
    const changes = waits.reduce((sum, one) => sum + (one.changes ?? 0), 0);
    const stations = [...new Set(missing.flatMap(({ station }) => station ?? []))];
    const at = missing.length - waits.length;
    return [
      waits.length === 0
        ? ''
        : `${counted(changes, 'change')} on ${counted(waits.length, 'docket')} waited on it and ${changes === 1 ? 'has' : 'have'} not come.`,
      at === 0
        ? ''
        : `${counted(at, 'wearer')} stood at its station (${stations.join(', ')}), and nothing from there has come.`,
    ]
      .filter((one) => one !== '')
      .join(' ');
  }

  protected name({ wearer, number }: Missing): string {
    return number === null ? `${wearer}, no docket yet` : `${wearer}, docket ${number}`;
  }

  protected end(id: string): void {
    this.busy.set(true);
    this.trouble.set('');
    this.house.endDevice(id).subscribe({
      next: () => {
        this.busy.set(false);
        this.devices.again();
      },
      error: (problem: Error) => {
        this.busy.set(false);
        this.trouble.set(problem.message);
      },
    });
  }
}

import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { SelfLinkEntry, Tape, TapeSecret } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { of, type Observable } from 'rxjs';
import { HouseService } from '../../data/house-service';
import { SessionService } from '../../data/session-service';
import { sayMoment } from './say-role';
import { Fetching } from '../../parts/fetching/fetching';
import { Fetched } from '../../data/fetched';

/** Tapes that send by a secret of their own, and links by which wearers measure themselves. */
@Component({
  selector: 'nm-tapes',
  imports: [Fetching, NzButtonModule, NzInputModule, RouterLink],
  template: `
    <h2 class="title">Tapes and links</h2>
    @if (trouble()) {
      <p class="fault" role="alert">{{ trouble() }}</p>
    }
    @if (lead()) {
      <h3>Paired tapes</h3>
      <p>A paired tape sends readings with its own secret and can do nothing else.</p>
      @if (secret(); as given) {
        <div class="once" role="status">
          The secret of {{ given.device }}, shown once:
          <div>
            <b>{{ given.secret }}</b>
          </div>
          The tape sends the secret with every request as <span class="num">Authorization: Bearer …</span>
          <button nz-button type="button" (click)="secret.set(null)">Done</button>
        </div>
      }
      <nm-fetching [of]="tapes" words="Loading tapes" />
      <ul class="rows">
        @for (tape of tapes.value(); track tape.device) {
          <li class="line">
            <span class="what"
              ><b>{{ tape.device }}</b>
              <small
                >paired by {{ tape.pairedBy }}, {{ sayMoment(tape.pairedAt) }}
                {{ tape.seenAt === null ? '· never used' : '· last used ' + sayMoment(tape.seenAt) }}</small
              ></span
            >
            <button nz-button type="button" (click)="pair(tape.device)">New secret</button>
            <button nz-button type="button" (click)="does(house.unpairTape(tape.device))">Unpair</button>
          </li>
        } @empty {
          @if (tapes.value()) {
            <li class="line soft">No tapes paired.</li>
          }
        }
      </ul>
      <form class="fields" (submit)="pair(device.value); device.value = ''; $event.preventDefault()">
        <label class="field"
          >Name of the tape
          <input #device nz-input pattern="[A-Za-z0-9-]{1,40}" title="Letters, digits and dashes" required
        /></label>
        <button nz-button type="submit">Pair tape</button>
      </form>
    }
    <h3>Self-measuring links</h3>
    <p>Each link is for one wearer and one use. A revoked link no longer opens.</p>
    <nm-fetching [of]="links" words="Loading links" />
    <ul class="rows">
      @for (link of links.value(); track link.id) {
        <li class="line">
          <span class="what"
            ><span class="stack"
              ><a [routerLink]="['/bench', link.docketId]"
                >{{ link.wearer }}, docket {{ link.docket }}</a
              ></span
            >
            <small>
              made by {{ link.madeBy }} ·
              {{
                link.submittedAt === null
                  ? 'expires ' + sayMoment(link.expiresAt)
                  : 'submitted ' + sayMoment(link.submittedAt)
              }}</small
            ></span
          >
          @if (link.submittedAt === null) {
            <button nz-button type="button" (click)="does(house.endLink(link.id))">Revoke</button>
          }
        </li>
      } @empty {
        @if (links.value()) {
          <li class="line soft">No links.</li>
        }
      }
    </ul>
  `,
  styleUrl: './desk.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Tapes {
  protected readonly house = inject(HouseService);
  private readonly session = inject(SessionService);
  protected readonly lead = () => this.session.may('pair-tapes');
  protected readonly tapes = new Fetched<readonly Tape[]>(() => (this.lead() ? this.house.tapes() : of([])));
  protected readonly links = new Fetched<readonly SelfLinkEntry[]>(() => this.house.links());
  protected readonly secret = signal<TapeSecret | null>(null);
  protected readonly trouble = signal('');
  protected readonly sayMoment = sayMoment;

  protected pair(device: string): void {
    this.house.pairTape(device).subscribe({
      next: (secret) => {
        this.secret.set(secret);
        this.list();
      },
      error: this.fail,
    });
  }

  protected does(work: Observable<unknown>): void {
    work.subscribe({ next: () => this.list(), error: this.fail });
  }

  private list(): void {
    this.trouble.set('');
    this.tapes.again();
    this.links.again();
  }

  private readonly fail = (problem: Error): void => this.trouble.set(problem.message);
}

import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { LATE_PART, type ActAnswer, type LateAct } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { HouseService } from '../../data/house-service';
import { Fetched } from '../../data/fetched';
import { Fetching } from '../../parts/fetching/fetching';
import { sayMoment } from './say-role';

/** Changes that were sent after the sign-in they were made under had ended: a lead fitter adds them, or discards them. */
@Component({
  selector: 'nm-late',
  imports: [Fetching, NzButtonModule, RouterLink],
  template: `
    <h2 class="title">Late changes</h2>
    <p>
      A device sent these after its sign-in had ended: the user signed out everywhere, changed the passphrase,
      was deactivated, was away for too long, or the device was ended. Or a garment was handed over without
      the server and the stock says otherwise. Accept a change to add it under the name of the fitter who made
      it, in the order below.
    </p>
    @if (trouble()) {
      <p class="fault" role="alert">{{ trouble() }}</p>
    }
    @if (done()) {
      <p class="done" role="status">{{ done() }}</p>
    }
    <nm-fetching [of]="late" words="Loading late changes" />
    <ul class="rows">
      @for (one of late.value(); track one.id) {
        <li class="line">
          <span class="what"
            ><span class="stack">{{ one.words }}</span>
            <small>
              @if (one.docketId !== null && one.wearer !== null) {
                <a [routerLink]="['/bench', one.docketId]">{{ one.wearer }}</a> ·
              }
              made {{ sayMoment(one.doneAt) }} · sent {{ sayMoment(one.cameAt) }}</small
            >
            @if (one.why) {
              <small>Could not be booked: {{ one.why }}</small>
            }
            @if (faults()[one.id]; as fault) {
              <small class="fault" role="alert">{{ fault }}</small>
            }
          </span>
          <button nz-button type="button" [disabled]="busy()" (click)="accept([one.id])">Accept</button>
          <button nz-button type="button" [disabled]="busy()" (click)="discard(one.id)">Discard</button>
        </li>
      } @empty {
        @if (late.value()) {
          <li class="line soft">No late changes.</li>
        }
      }
    </ul>
    @if (late.value()?.length === part) {
      <p class="soft">These are the first {{ part }}. Accept or discard them to see the rest.</p>
    }
    @if ((late.value()?.length ?? 0) > 1) {
      <p class="acts">
        <button nz-button type="button" [disabled]="busy()" (click)="acceptAll()">Accept all</button>
      </p>
    }
  `,
  styleUrl: './desk.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Late {
  private readonly house = inject(HouseService);
  protected readonly late = new Fetched<readonly LateAct[]>(() => this.house.lateActs());
  protected readonly trouble = signal('');
  protected readonly done = signal('');
  protected readonly busy = signal(false);
  /** Why some could not be added, by their ids. */
  protected readonly faults = signal<Readonly<Record<string, string>>>({});
  protected readonly sayMoment = sayMoment;
  protected readonly part = LATE_PART;

  protected acceptAll(): void {
    this.accept((this.late.value() ?? []).map(({ id }) => id));
  }

  protected accept(ids: readonly string[]): void {
    this.decide({ ids: [...ids], accepted: true }, (answers) => {
      const refused = answers.flatMap((one) =>
        one.outcome === 'refused' ? [[one.id ?? '', one.detail]] : [],
      );
      this.faults.set(Object.fromEntries(refused) as Record<string, string>);
      const added = answers.length - refused.length;
      return added === 0 ? '' : `Added: ${added}.`;
    });
  }

  protected discard(id: string): void {
    this.decide({ ids: [id], accepted: false }, () => 'Discarded.');
  }

  private decide(
    decision: Parameters<HouseService['decideLate']>[0],
    say: (answers: readonly ActAnswer[]) => string,
  ): void {
    this.trouble.set('');
    this.done.set('');
    this.busy.set(true);
    this.house.decideLate(decision).subscribe({
      next: (answers) => {
        this.busy.set(false);
        this.done.set(say(answers));
        this.late.again();
      },
      error: (problem: Error) => {
        this.busy.set(false);
        this.trouble.set(problem.message);
      },
    });
  }
}

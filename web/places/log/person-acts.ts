import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { wearerExportPath, wearerExportSheetPath, type Erasing, type Wearer } from '@neat-measure/contract';
import { sayDay } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { SessionService } from '../../data/session-service';
import { WearerService } from '../../data/wearer-service';

/** What a person may ask of the house: all that is kept of them, and that it be erased. */
@Component({
  selector: 'nm-person-acts',
  imports: [NzButtonModule, NzCheckboxModule, NzInputModule],
  template: `
    @if (session.may('answer-wearers')) {
      <p class="soft">
        Data about {{ wearer().name }}: <a [href]="paper()" target="_blank" rel="noopener">PDF</a> ·
        <a [href]="file()" download>JSON</a>
        @if (session.may('run-house')) {
          · <button nz-button nzType="link" type="button" (click)="ask()">Erase</button>
        }
      </p>
      @if (asking()) {
        <form class="note acts" (submit)="erase(name.value); $event.preventDefault()">
          <p>
            The name, all dockets with readings and decisions, all links and the audit log entries about this
            wearer are deleted for good. Backups keep them until they expire. Enter the name to confirm.
          </p>
          @if (before(); as before) {
            @if (before.hires.length > 0) {
              <p>
                Hires without a docket under this name. Another wearer may have the same name: tick the hires
                of this one, and their name is erased too.
              </p>
              @for (hire of before.hires; track hire.id) {
                <label nz-checkbox (nzCheckedChange)="tick(hire.id, $event)"
                  >{{ hire.garment }}, {{ sayDay(hire.from) }} to {{ sayDay(hire.until) }}</label
                >
              }
            }
            @if (before.outbox.length > 0) {
              <p class="fault" role="status">
                Posted sheets about this wearer stay in the outbox folder. Delete them there:
                {{ before.outbox.join(', ') }}
              </p>
            }
          }
          <input #name nz-input aria-label="Name of the wearer to erase" autocomplete="off" />
          <button nz-button nzDanger type="submit">Erase {{ wearer().name }}</button>
          @if (trouble()) {
            <p class="fault" role="alert">{{ trouble() }}</p>
          }
        </form>
      }
    }
  `,
  styles: `
    a {
      text-decoration: underline;
    }
    .note {
      border-color: var(--brick);
    }
    input {
      flex: 1 1 220px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PersonActs {
  readonly wearer = input.required<Wearer>();
  protected readonly session = inject(SessionService);
  private readonly wearers = inject(WearerService);
  private readonly router = inject(Router);
  protected readonly asking = signal(false);
  /** What erasing does not reach by itself, once it is known. */
  protected readonly before = signal<Erasing | null>(null);
  private readonly ticked = new Set<string>();
  protected readonly sayDay = sayDay;
  protected readonly trouble = signal('');
  protected readonly file = computed(() => wearerExportPath(this.wearer().id));
  protected readonly paper = computed(() => wearerExportSheetPath(this.wearer().id));

  /** Opens what is asked before erasing, or closes it. */
  protected ask(): void {
    this.asking.set(!this.asking());
    this.before.set(null);
    this.ticked.clear();
    if (!this.asking()) return;
    this.wearers.beforeErasing(this.wearer().id).subscribe({
      next: (before) => this.before.set(before),
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }

  protected tick(id: string, on: boolean): void {
    if (on) this.ticked.add(id);
    else this.ticked.delete(id);
  }

  protected erase(name: string): void {
    if (name.trim() !== this.wearer().name)
      return this.trouble.set(`Enter ${this.wearer().name} exactly, so that no other wearer is erased.`);
    this.wearers.erase(this.wearer().id, [...this.ticked]).subscribe({
      // The list beside is asked for anew: they are on it no more.
      next: () => void this.router.navigateByUrl('/bench').then(() => this.router.navigateByUrl('/log')),
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { wearerExportPath, wearerExportSheetPath, type Wearer } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { SessionService } from '../../data/session-service';
import { WearerService } from '../../data/wearer-service';

/** What a person may ask of the house: all that is kept of them, and that it be erased. */
@Component({
  selector: 'nm-person-acts',
  imports: [NzButtonModule, NzInputModule],
  template: `
    @if (session.may('answer-wearers')) {
      <p class="soft">
        Data about {{ wearer().name }}: <a [href]="paper()" target="_blank" rel="noopener">PDF</a> ·
        <a [href]="file()" download>JSON</a>
        @if (session.may('run-house')) {
          · <button nz-button nzType="link" type="button" (click)="asking.set(!asking())">Erase</button>
        }
      </p>
      @if (asking()) {
        <form class="note acts" (submit)="erase(name.value); $event.preventDefault()">
          <p>
            The name, all dockets with readings and decisions, all links and the audit log entries about this
            wearer are deleted for good. Backups keep them until they expire. Enter the name to confirm.
          </p>
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
  protected readonly trouble = signal('');
  protected readonly file = computed(() => wearerExportPath(this.wearer().id));
  protected readonly paper = computed(() => wearerExportSheetPath(this.wearer().id));

  protected erase(name: string): void {
    if (name.trim() !== this.wearer().name)
      return this.trouble.set(`Enter ${this.wearer().name} exactly, so that no other wearer is erased.`);
    this.wearers.erase(this.wearer().id).subscribe({
      // The list beside is asked for anew: they are on it no more.
      next: () => void this.router.navigateByUrl('/bench').then(() => this.router.navigateByUrl('/log')),
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }
}

import { ChangeDetectionStrategy, Component } from '@angular/core';

/** The Log: not built yet, and says so. */
@Component({
  selector: 'nm-log',
  template: `<section>
    <h1>Log</h1>
    <p>
      Each person’s history, the fitters’ own error and how charts run will stand here. Readings and decisions
      are already kept for it.
    </p>
  </section>`,
  styleUrl: '../unbuilt.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Log {}

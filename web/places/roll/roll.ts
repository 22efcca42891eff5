import { ChangeDetectionStrategy, Component } from '@angular/core';

/** The Roll: not built yet, and says so. */
@Component({
  selector: 'nm-roll',
  template: `<section>
    <h1>Roll</h1>
    <p>
      Everyone of the day will stand here, with their dockets and what is still open. Until then the Bench
      lists the latest dockets.
    </p>
  </section>`,
  styleUrl: '../unbuilt.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Roll {}

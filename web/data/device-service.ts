import { HttpClient } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import {
  deviceAnswerSchema,
  deviceStreamPath,
  ROUTES,
  streamedLineSchema,
  type DeviceAnswer,
  type StreamedLine,
} from '@neat-measure/contract';
import { map, Observable } from 'rxjs';
import { pastWorker } from './hear-stream';

const KEPT_AS = 'neat-measure.device';

/** Tapes that send their readings. */
@Injectable({ providedIn: 'root' })
export class DeviceService {
  private readonly http = inject(HttpClient);
  /** The tape paired with this device's Bench, or empty. */
  readonly paired = signal(localStorage.getItem(KEPT_AS) ?? '');

  pair(device: string): void {
    this.paired.set(device);
    localStorage.setItem(KEPT_AS, device);
  }

  /**
   * Emits what a tape sends from now on; the browser takes a broken stream up again by itself
   * from where it broke. A line that does not hold to the form is passed over.
   */
  lines(device: string): Observable<StreamedLine> {
    return new Observable((subscriber) => {
      const source = new EventSource(pastWorker(deviceStreamPath(encodeURIComponent(device))));
      source.onmessage = ({ data }: MessageEvent<string>) => {
        const line = streamedLineSchema.safeParse(JSON.parse(data));
        if (line.success) subscriber.next(line.data);
      };
      return () => source.close();
    });
  }

  /** Sends lines as a tape does. */
  send(lines: readonly string[]): Observable<DeviceAnswer> {
    return this.http
      .post(ROUTES.deviceLines, lines.join('\n'), { headers: { 'content-type': 'text/plain' } })
      .pipe(map((answer) => deviceAnswerSchema.parse(answer)));
  }
}

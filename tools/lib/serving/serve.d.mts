/** One instance of the built server. */
export interface RunningServer {
  readonly port: number;
  readonly pid: number | undefined;
  readonly ended: Promise<number>;
  stop(): Promise<void>;
}

/** Starts one instance of the built server and waits until it listens. */
export function startServer(env: Readonly<Record<string, string>>): Promise<RunningServer>;

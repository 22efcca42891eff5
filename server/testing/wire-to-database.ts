import { connect, createServer, type Server, type Socket, type AddressInfo } from 'node:net';

/** A wire to the database that can be cut, and can go dead without a word, as networks do. */
export class WireToDatabase {
  private readonly open = new Set<Socket>();
  private readonly server: Server;
  private state: 'whole' | 'cut' | 'silent' = 'whole';

  private constructor(private readonly to: URL) {
    this.server = createServer((near) => {
      if (this.state === 'cut') return void near.destroy();
      const far = connect(Number(this.to.port), this.to.hostname);
      for (const [one, other] of [
        [near, far],
        [far, near],
      ] as const) {
        this.open.add(one);
        one.on('data', (bytes) => this.state !== 'silent' && other.write(bytes));
        one.on('error', () => undefined);
        one.on('close', () => {
          this.open.delete(one);
          other.destroy();
        });
      }
    });
  }

  /** A wire to the database of a URL. */
  static async to(url: string): Promise<WireToDatabase> {
    const wire = new WireToDatabase(new URL(url));
    await new Promise<void>((resolve) => wire.server.listen(0, '127.0.0.1', resolve));
    return wire;
  }

  /** The URL at this end. */
  get url(): string {
    const url = new URL(this.to);
    url.port = String((this.server.address() as AddressInfo).port);
    return url.href;
  }

  /** Every connection ends, and none is let in until it is mended. */
  cut(): void {
    this.state = 'cut';
    for (const socket of this.open) socket.destroy();
  }

  /** Nothing comes through any more, and nobody is told. */
  silence(): void {
    this.state = 'silent';
  }

  mend(): void {
    if (this.state === 'silent') for (const socket of this.open) socket.destroy();
    this.state = 'whole';
  }

  async stop(): Promise<void> {
    for (const socket of this.open) socket.destroy();
    await new Promise((resolve) => this.server.close(resolve));
  }
}

/** A port on loopback that nothing listens at, and none that outgoing connections are given. */
export function freePort(): Promise<number>;

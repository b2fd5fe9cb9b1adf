import type { AddressInfo, Server } from 'node:net';

/** The port of a server that was told to listen, once it does; fails as the system does where it cannot. */
export async function portOf(server: Server): Promise<number> {
  if (!server.listening)
    await new Promise<void>((opened, failed) => server.once('listening', opened).once('error', failed));
  return (server.address() as AddressInfo).port;
}

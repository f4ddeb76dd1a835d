import { createServer } from 'node:net';

const listen = (port, host) =>
  new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(port, host, () => {
      const { port: taken } = server.address();
      server.close(() => resolve(taken));
    });
  });

/** A loopback port that is free now. */
export const freePort = () => listen(0, '127.0.0.1');

/** @returns {Promise<boolean>} whether the port can be listened on */
export const isFree = (port, host) =>
  listen(port, host).then(
    () => true,
    () => false,
  );

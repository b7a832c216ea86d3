import { Server } from './server.mjs';

const server = await new Server(Number(process.argv[2])).start();
for (const signal of ['SIGTERM', 'SIGINT']) {
    process.on(signal, () => {
        server.stop();
        process.exit(0);
    });
}
setInterval(() => {}, 1000);

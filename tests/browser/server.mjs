import { execFileSync, spawn } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export const KEY = 'base64:3q2+796tvu/erb7v3q2+796tvu/erb7v3q2+796tvu8=';

/**
 * A server of its own with a fresh database and the demo in it, or a copy of one that is built already; it can be stopped and started
 * again.
 */
export class Server {
    constructor(port, { checkpoint = 1 } = {}) {
        this.port = port;
        const folder = mkdtempSync(join(tmpdir(), 'attic-browser-'));
        this.env = {
            ...process.env,
            APP_KEY: KEY,
            APP_CONFIG_CACHE: join(folder, 'none.php'),
            APP_URL: `http://127.0.0.1:${port}`,
            DB_DATABASE: join(folder, 'attic.sqlite'),
            SESSION_DRIVER: 'file',
            CACHE_STORE: 'array',
            ATTIC_DEMO: 'true',
            ATTIC_PLACE: 'Fennel Street Repair Café',
            ATTIC_CHECKPOINT: String(checkpoint),
        };
        const ready = process.env.ATTIC_READY_DEMO;
        if (ready) {
            for (const ending of ['', '.presence', '.queue'])
                existsSync(ready + ending) && copyFileSync(ready + ending, this.env.DB_DATABASE + ending);
            return;
        }
        execFileSync('php', ['artisan', 'attic:database'], { env: this.env, stdio: 'ignore' });
        execFileSync('php', ['artisan', 'attic:demo'], { env: this.env, stdio: 'ignore' });
    }

    get url() {
        return `http://127.0.0.1:${this.port}`;
    }

    async start() {
        this.child = spawn('bin/serve', [String(this.port)], { env: this.env, stdio: 'ignore', detached: true });
        for (let i = 0; i < 100; i++) {
            if (await fetch(`${this.url}/up`).then((response) => response.ok, () => false)) return this;
            await new Promise((resolve) => setTimeout(resolve, 100));
        }
        throw new Error('The server did not start');
    }

    /** Ends the server and its workers: they are one process group. */
    stop() {
        if (this.child) process.kill(-this.child.pid, 'SIGKILL');
        this.child = undefined;
    }
}

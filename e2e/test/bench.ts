import { execFile } from 'node:child_process';
import { connect, createServer, type Server } from 'node:net';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { Browser, BrowserContext, BrowserContextOptions, Page } from 'playwright-core';
import { openBrowser } from '../../scripts/browser.mjs';
import { freePort } from '../../scripts/database.mjs';
import { startServer } from '../../scripts/server.mjs';
import { demoFiles, emptyDatabase, filledDatabase } from '../../server/test/shop.ts';

const root = join(import.meta.dirname, '../..');

export const COUNTER = { width: 1280, height: 800 };
export const TABLET = { width: 1024, height: 768 };
export const PHONE = { width: 390, height: 844 };
/** How long a page is waited for: a slow machine is slow, and what never comes still fails. */
export const PATIENCE_MS = 60_000;

export interface OpenShop {
  address: string;
  databaseUrl: string;
  port: number;
  restart: () => Promise<void>;
  stop: () => Promise<void>;
}

/** Loads the demo shop into a running server by the same import a user has. */
export async function loadDemo(port: number): Promise<void> {
  const files = demoFiles().map((file) => join(root, 'demo', file));
  await promisify(execFile)(process.execPath, [join(root, 'dist/programs/shell.js'), 'jade', 'import', ...files], { env: { ...process.env, JADE_PORT: String(port) } });
}

/** The built server on an own database with the demo shop, or empty, as a user starts it. */
export async function openShop(empty = false): Promise<OpenShop> {
  const { url, drop } = await (empty ? emptyDatabase() : filledDatabase('demo'));
  const port = await freePort();
  let server = await startServer({ databaseUrl: url, port, quiet: true });
  return {
    address: server.address,
    databaseUrl: url,
    port,
    restart: async () => {
      await server.stop();
      server = await startServer({ databaseUrl: url, port, quiet: true });
    },
    stop: async () => {
      await server.stop();
      await drop();
    },
  };
}

export { openBrowser };

export interface Bench {
  page: Page;
  context: BrowserContext;
  /** What the page complained of. */
  complaints: string[];
}

/** A browser window of somebody at the bench; of somebody who is no part of the shop where nobody is named. */
export async function openBench(browser: Browser, address: string, person: string | undefined, options: BrowserContextOptions = {}): Promise<Bench> {
  const context = await browser.newContext({ viewport: COUNTER, ...options });
  if (person) await context.request.post(`${address}/api/session`, { data: { person, device: 'test' } });
  const page = await context.newPage();
  page.setDefaultTimeout(PATIENCE_MS);
  const complaints: string[] = [];
  page.on('pageerror', (error) => complaints.push(error.message));
  return { page, context, complaints };
}

/** Waits until nothing is left to send. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(() => !document.querySelector('span.away'));
}

/** The demo shop, or an empty one, and a browser for the tests of one file, opened before them and closed after. */
export class TestBench {
  private shop: OpenShop | undefined;
  private browser: Browser | undefined;
  private door: Server | undefined;
  private far = '';

  constructor(timeoutMs: number, empty = false) {
    beforeAll(async () => {
      this.shop = await openShop(empty);
      this.browser = await openBrowser();
    }, timeoutMs);
    afterAll(async () => {
      await this.browser?.close();
      this.door?.close();
      await this.shop?.stop();
    });
  }

  get address(): string {
    if (!this.shop) throw new Error('the shop is not open');
    return this.shop.address;
  }

  /** The shop as a tablet finds it: what comes through here comes from another address than this machine's own. */
  async elsewhere(): Promise<string> {
    if (this.far) return this.far;
    const port = Number(new URL(this.address).port);
    const door = createServer((near) => {
      const far = connect({ host: '127.0.0.1', port, localAddress: '127.0.0.3' });
      near.pipe(far).pipe(near);
      near.on('error', () => far.destroy());
      far.on('error', () => near.destroy());
    });
    const own = await freePort();
    await new Promise<void>((settle) => door.listen(own, '127.0.0.1', settle));
    this.door = door;
    return (this.far = `http://127.0.0.1:${own}`);
  }

  /** A window of somebody at the bench. */
  open(person: string | undefined, options: BrowserContextOptions = {}): Promise<Bench> {
    if (!this.browser) throw new Error('the browser is not open');
    return openBench(this.browser, this.address, person, options);
  }
}

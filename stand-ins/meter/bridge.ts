import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { WebSocketServer, type WebSocket } from 'ws';
import { METER_PROTOCOL, type BenchLine, type HeldLine, type MeterLine } from '@jade/core/probing';
import { isVehicleState } from '@jade/core/states';
import type { Played } from './vehicle.ts';

/** Held readings that are kept until they are taken. */
const MOST_KEPT = 200;
const SHOWS_EVERY_MS = 300;
const MOST_BYTES = 10_000;
const HERE = ['127.0.0.1', '::1', '::ffff:127.0.0.1'];

function lineOf(text: string): Partial<{ run: string; from: number; took: number }> | undefined {
  try {
    const value = JSON.parse(text) as BenchLine | null;
    return typeof value === 'object' && value !== null ? value : undefined;
  } catch {
    return undefined;
  }
}

/** A meter's bridge that plays a vehicle: streams what the probe shows, numbers what is held, and keeps it until the bench has taken it. */
export class MeterBridge {
  private readonly http: Server;
  private readonly sockets: WebSocketServer;
  private readonly kept: HeldLine[] = [];
  private readonly showing: NodeJS.Timeout;
  private n = 0;
  readonly played: Played;
  private readonly run: string;

  constructor(played: Played, run: string = crypto.randomUUID()) {
    this.played = played;
    this.run = run;
    this.http = createServer((request, response) => {
      let body = '';
      request.on('data', (part: Buffer) => {
        body += part.toString();
        if (body.length > MOST_BYTES) request.destroy();
      });
      request.on('end', () => {
        const answer = this.handle(`${request.method} ${request.url}`, body);
        response.writeHead(answer ? 200 : 404, { 'content-type': 'application/json' }).end(JSON.stringify(answer ?? { fault: 'unknown' }));
      });
    });
    this.sockets = new WebSocketServer({
      server: this.http,
      maxPayload: MOST_BYTES,
      verifyClient: ({ req }: { req: { socket: { remoteAddress?: string } } }) => HERE.includes(req.socket.remoteAddress ?? ''),
    });
    this.sockets.on('connection', (socket) => this.greet(socket));
    this.showing = setInterval(() => this.show(), SHOWS_EVERY_MS).unref();
  }

  /** Listens on this machine alone; gives the port. */
  listen(port = 0): Promise<number> {
    return new Promise((settle, fail) => {
      this.http.once('error', fail);
      this.http.listen(port, '127.0.0.1', () => settle((this.http.address() as AddressInfo).port));
    });
  }

  close(): Promise<void> {
    clearInterval(this.showing);
    this.drop();
    return new Promise((settle) => this.sockets.close(() => this.http.close(() => settle())));
  }

  /** Cuts every line to a bench, as a lost radio link does. What is held meanwhile is kept. */
  drop(): void {
    for (const socket of this.sockets.clients) socket.terminate();
  }

  /** Holds what the probe shows, as the key of a meter does; nothing where it touches nothing. */
  hold(what: 'voltage' | 'continuity' = 'voltage'): HeldLine | undefined {
    const line = what === 'voltage' ? this.heldVoltage() : this.heldContinuity();
    if (!line) return undefined;
    this.kept.push(line);
    if (this.kept.length > MOST_KEPT) this.kept.shift();
    for (const socket of this.sockets.clients) this.send(socket, line);
    return line;
  }

  private heldVoltage(): HeldLine | undefined {
    const span = this.played.voltage();
    return span && { n: ++this.n, held: 'voltage', ...span };
  }

  private heldContinuity(): HeldLine | undefined {
    const ohm = this.played.continuity();
    return ohm === undefined ? undefined : { n: ++this.n, held: 'continuity', ohm };
  }

  private show(): void {
    const span = this.played.voltage();
    if (span) for (const socket of this.sockets.clients) this.send(socket, { shows: 'voltage', volts: span.highV });
  }

  private greet(socket: WebSocket): void {
    socket.on('message', (data: Buffer) => this.hear(socket, data.toString()));
    socket.on('error', () => socket.terminate());
    this.send(socket, { hello: METER_PROTOCOL, name: 'Simulated meter', run: this.run });
  }

  private hear(socket: WebSocket, text: string): void {
    const line = lineOf(text);
    if (line?.run !== this.run) return;
    const { from, took } = line;
    if (from !== undefined) for (const held of this.kept.filter(({ n }) => n > from)) this.send(socket, { ...held, again: true });
    if (took !== undefined) {
      const place = this.kept.findIndex(({ n }) => n === took);
      if (place >= 0) this.kept.splice(place, 1);
    }
  }

  private send(socket: WebSocket, line: MeterLine): void {
    if (socket.readyState === socket.OPEN) socket.send(`${JSON.stringify(line)}\n`);
  }

  /** What a test or somebody at the shell asks of it. */
  private handle(asked: string, body: string): object | undefined {
    const told = (lineOf(body) ?? {}) as { pin?: string; state?: string; held?: 'voltage' | 'continuity' };
    switch (asked) {
      case 'GET /':
        return { pin: this.played.pin ?? null, state: this.played.state, pins: Object.keys(this.played.vehicle.pins) };
      case 'POST /probe':
        this.played.pin = told.pin;
        return { pin: told.pin ?? null };
      case 'POST /state':
        if (told.state === undefined || !isVehicleState(told.state)) return undefined;
        this.played.state = told.state;
        return { state: told.state };
      case 'POST /hold':
        return { held: this.hold(told.held) ?? null };
      case 'POST /drop':
        this.drop();
        return { dropped: true };
      default:
        return undefined;
    }
  }
}

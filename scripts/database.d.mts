export interface OpenedDatabase {
  url: string;
  ownerUrl: string;
  pid: number;
  port: number;
  socket: string;
  stop: () => Promise<void>;
  gone: Promise<unknown>;
}
export function freePort(): Promise<number>;
export function startDatabase(folder: string, options?: { all?: boolean; port?: number }): Promise<OpenedDatabase>;

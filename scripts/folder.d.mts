export interface Running {
  pid: number;
  address: string;
  since: string;
  database?: number;
  server?: number;
  databasePort?: number;
}
export function folderOf(kind: 'demo' | 'shop'): string;
export function kindOf(folder: string): 'demo' | 'shop' | undefined;
export function claimFolder(folder: string, kind: 'demo' | 'shop'): void;
export function runningOf(folder: string): Running | undefined;
export function noteRunning(folder: string, what: Running): void;
export function isOurs(pid: number, ...words: string[]): boolean;
export function isOpen(running: Running | undefined): boolean;
export function endLeftOvers(folder: string): Promise<string[]>;

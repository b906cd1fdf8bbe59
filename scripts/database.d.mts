export function freePort(): Promise<number>;
export function startDatabase(folder: string, options?: { all?: boolean; port?: number }): Promise<{ url: string; pid: number; port: number; stop: () => Promise<void> }>;

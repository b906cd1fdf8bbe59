export function startServer(options: {
  databaseUrl: string;
  ownerUrl?: string;
  port: number;
  host?: string;
  quiet?: boolean;
}): Promise<{ address: string; pid: number; stop: () => Promise<void>; gone: Promise<unknown> }>;

declare module 'pino-roll' {
  interface Options {
    file: string;
    extension: string;
    size: string;
    mkdir: boolean;
    sync: boolean;
    limit: { count: number; removeOtherLogFiles: boolean };
  }
  interface Rolling {
    write: (line: string) => unknown;
    end: () => void;
  }
  function roll(options: Options): Promise<Rolling>;
  export = roll;
}

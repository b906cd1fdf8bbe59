/** One stroke, shape or line of text of a drawing on paper. */
export type PaperMark =
  | { kind: 'path'; d: string; stroke: string; width: number; fill?: string }
  | { kind: 'text'; x: number; y: number; text: string; size: number; anchor: 'start' | 'middle' | 'end'; bold?: boolean };

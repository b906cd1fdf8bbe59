/** Most characters of each text that a person writes into a job's record; what is longer is refused, never cut. */
export const LONGEST_TEXT = {
  wish: 600,
  keys: 60,
  number: 40,
  factLabel: 120,
  factValue: 80,
  howToSee: 300,
  code: 20,
  codeNote: 240,
  damagePlace: 80,
  damage: 400,
  /** Who isolates a supply, and by which procedure. */
  isolation: 200,
  setting: 120,
  /** How a plug locks. */
  lock: 80,
  accessory: 80,
  /** What can hurt at a piece. */
  caution: 120,
  /** The name of a lamp, an item or a place; how it is fitted; with what; what is printed on a lamp. */
  kitEntry: 80,
  fitStep: 160,
  tool: 80,
  marking: 120,
  size: 20,
  /** Why something is as it is: a way blocked, an opening given up, a job reopened. */
  why: 300,
  /** What a person wants to keep. */
  jobNote: 600,
  /** What a photo shows. */
  caption: 160,
  /** What a test did, where and by whom a sensor is calibrated. */
  note: 300,
  aimer: 160,
  bag: 160,
  exception: 400,
  /** Who agreed to what cannot be undone. */
  consent: 160,
  plugName: 80,
  where: 240,
  colour: 40,
} as const;

/** By how many characters a text is longer than what is kept of it; spaces around it do not count. Zero where there is room. */
export const tooManyIn = (text: string, most: number): number => Math.max(0, text.trim().length - most);

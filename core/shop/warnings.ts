/** Less than so much on the disk of the shop is said: about a month of a busy one, with its backups. */
const LOW_DISK_MB = 1000;

/** Something that should be seen to before it stops the shop. */
export interface Warning {
  code: 'disk-low';
  /** Room left on the disk of the shop's folder, in megabytes. */
  freeMb: number;
}

/**
 * What whoever works in a shop should know before it is too late.
 * @param freeMb room on the disk of its folder, in megabytes; undefined where that cannot be told
 */
export function warningsOf(freeMb: number | undefined): Warning[] {
  return freeMb !== undefined && freeMb < LOW_DISK_MB ? [{ code: 'disk-low', freeMb }] : [];
}

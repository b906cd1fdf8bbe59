import type { Warning } from '@jade/core/shop';

/** What should be seen to, with what to do. */
export function sayWarning({ freeMb }: Warning): string {
  return `The disk of the shop is nearly full: ${freeMb} MB are left. Let somebody make room on it before nothing more can be recorded.`;
}

/** Which of two lengths leads where both stand. */
export const LENGTHS_LEAD = { label: 'Where both stand, lengths lead with', mm: 'millimetres', in: 'inches' } as const;

import type { NewKit } from '../kit/index.ts';

/** A light bar that came in for the first time, of a kind that nobody has described. */
export const NEW_BAR: NewKit = { maker: 'Tarn', name: 'Prow bar', kind: 'light bar', priceCents: 32_900 };

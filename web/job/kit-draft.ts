import type { KitKind, NewKit } from '@jade/core/kit';
import { typedCents } from '@jade/core/units';

/** A kit that the library does not have, as it is written down: its price as it is typed. */
export interface KitDraft {
  maker: string;
  name: string;
  kind?: KitKind;
  price: string;
}

export const newKitDraft = (): KitDraft => ({ maker: '', name: '', price: '' });

/** The kit that a draft tells of; undefined while something of it is missing. */
export function kitOf({ maker, name, kind, price }: KitDraft): NewKit | undefined {
  const priceCents = typedCents(price);
  if (!maker.trim() || !name.trim() || !kind || priceCents === undefined) return undefined;
  return { maker: maker.trim(), name: name.trim(), kind, priceCents };
}

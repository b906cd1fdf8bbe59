import { shallowRef, type ShallowRef } from 'vue';
import type { KnownPiece } from '@jade/core/vehicle';
import { ask } from '../ask/index.ts';

const known = shallowRef<readonly KnownPiece[]>([]);

/** Reads what pieces are called on other vehicles, once for the page; while the server is away what was read before stands. */
export async function fetchKnownPieces(): Promise<void> {
  if (known.value.length > 0) return;
  const read = await ask<{ pieces: KnownPiece[] }>('/api/known-pieces').catch(() => undefined);
  if (read) known.value = read.pieces;
}

/** What pieces are called on other vehicles, and what holds them there; none until it was read. */
export function useKnownPieces(): Readonly<ShallowRef<readonly KnownPiece[]>> {
  void fetchKnownPieces();
  return known;
}

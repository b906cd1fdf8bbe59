import { fastenerSeized } from './seized.ts';
import { fastenerBroken, fastenerRenewed } from './broken.ts';
import { fastenerDropped, fastenerFound } from './dropped.ts';

export const FASTENERS = {
  'fastener.seized': fastenerSeized,
  'fastener.broken': fastenerBroken,
  'fastener.renewed': fastenerRenewed,
  'fastener.dropped': fastenerDropped,
  'fastener.found': fastenerFound,
} as const;

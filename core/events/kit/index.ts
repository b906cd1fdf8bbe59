import { optionChosen } from './option.ts';
import { matchConfirmed } from './match.ts';
import { contentCounted } from './content.ts';
import { benchDone } from './bench.ts';
import { lampPowered } from './lamp-powered.ts';
import { kitDescribed } from './kit-described.ts';

export const KIT = {
  'option.chosen': optionChosen,
  'match.confirmed': matchConfirmed,
  'content.counted': contentCounted,
  'bench.done': benchDone,
  'lamp.powered': lampPowered,
  'kit.described': kitDescribed,
} as const;

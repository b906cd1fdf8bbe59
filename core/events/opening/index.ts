import { pieceMoved } from './piece-moved.ts';
import { pieceFound } from './piece-found.ts';
import { pieceTried } from './piece-tried.ts';
import { pieceWanted } from './piece-wanted.ts';
import { partBagged } from './part-bagged.ts';
import { positionSet } from './position.ts';
import { supplySet } from './supply.ts';
import { settingRestored } from './setting.ts';
import { kindDescribed } from './kind-described.ts';
import { openingEnough } from './opening-enough.ts';
import { openingJudged } from './opening-judged.ts';
import { movesOrdered } from './moves-ordered.ts';
import { wayBlocked, wayChosen } from './way.ts';
import { orderChosen } from './order.ts';
import { openingLeft, openingResumed } from './opening-left.ts';

export const OPENING = {
  'piece.moved': pieceMoved,
  'piece.found': pieceFound,
  'piece.tried': pieceTried,
  'piece.wanted': pieceWanted,
  'part.bagged': partBagged,
  'position.set': positionSet,
  'supply.set': supplySet,
  'setting.restored': settingRestored,
  'kind.described': kindDescribed,
  'opening.enough': openingEnough,
  'opening.judged': openingJudged,
  'moves.ordered': movesOrdered,
  'way.blocked': wayBlocked,
  'way.chosen': wayChosen,
  'order.chosen': orderChosen,
  'opening.left': openingLeft,
  'opening.resumed': openingResumed,
} as const;

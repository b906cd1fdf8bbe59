export { type LampAim, floorSlope, lampAims } from './aim.ts';
export { type JobContext, type JobDocuments, goneBefore, jobContext, once } from './context.ts';
export {
  type KitOnVehicle,
  connectionsOf,
  contentChecks,
  feedsOf,
  fitStepsOf,
  fitmentOn,
  functionsOf,
  goneForGood,
  isDropped,
  kitsDropped,
  kitsFittedBefore,
  kitsOnVehicle,
  kitsUndescribed,
  lampsToAim,
  ledOf,
  lensesOf,
  lostFunctions,
  plugsOf,
  replacedPieces,
  sideOf,
  stepReach,
  targetMounts,
  testsOf,
  unplacedKits,
  unplacedToAim,
  verdicts,
} from './kits.ts';
export { type LedWire, asMoved, carriedPins, liveFor, ownCircuit, ownLiveIn, wantedPins, wireTableOf, withoutLed } from './led-wires.ts';
export { openingMoves } from './moves.ts';
export { type NightLine, nightLines } from './overnight.ts';
export { type PartToOrder, partsToOrder, stackOfStep } from './parts.ts';
export { placeRules } from './places.ts';
export { lostIn, wouldLose } from './rests.ts';
export { LOW_LIVE, type SupplyBar, keepingDead, suppliesAfter, suppliesNow, supplyBars } from './supply.ts';
export { type TakeOut, type TakenOutKind, inReach, lampsHeld, toTakeOut } from './take-out.ts';
export { jobTools } from './tools.ts';

export {
  NOTHING_DESCRIBED,
  WIRING_LISTS,
  describedFurther,
  describedNothing,
  fitmentUnknown,
  heldAs,
  kitDescribedFurther,
  leftOpen,
  withDescribed,
  withKitDescribed,
} from './described.ts';
export {
  type Accessory,
  type BlockedWay,
  type DescribedHere,
  type FoundPlug,
  type KindDescribed,
  type KitDescribed,
  type KitDescribedHere,
  PLUG_SIDES,
  type PlugSide,
  type PutContact,
  type SeizedFasteners,
  type ThisVehicle,
} from './here.ts';
export { joinedPiece, needsAsKept, sharedOf, withFurther } from './joined.ts';
export { type LearnedStep, type MinutesChange, learnedSteps, withLearnedTimes } from './learned.ts';
export { onThisVehicle } from './on-this-vehicle.ts';
export { PLACE_LISTS, type PlaceList, describedOnce, joinedOf, keptAs } from './once.ts';
export { records } from './records.ts';

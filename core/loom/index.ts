export { type BatteryWatch, CHARGE_BELOW, WATCH_MIN, batteryWatch } from './battery.ts';
export { type CircuitLoad, type StandingDraw, circuitLoads, standingOfVehicle, useOfJoint } from './circuit-load.ts';
export { type FeedBar, type FeedOption, type LedParts, asWritten, feedOptions, ledParts, loadsOfPin, suppliesOf } from './feed-options.ts';
export { type RankedGround, bestGround, groundsAsked, rankedGrounds } from './grounds.ts';
export { jointChecks } from './joint-checks.ts';
export { type JointLine, type JointMethod, jointList } from './joint-list.ts';
export { type WatchedLamp, touchesFactoryLamps, watchedLamps } from './outage.ts';
export { type WireBranch, type WireLane, circuitKey, jointKey, wirePicture } from './picture.ts';
export { type PlugProbe, probeOf, probeRunOf, probedAs, readingVoltage, readingsOf, soughtIn, wireProof } from './plug-probe.ts';
export {
  type EmptyCavity,
  type LeftoverPlug,
  type PinLoad,
  dormantPlugs,
  emptyCavities,
  familyOf,
  leadsToBring,
  leftoverPlugs,
  overloadedPins,
  pinLoads,
  plugsThere,
} from './plug-use.ts';
export { type LampWire, lampWire, lampWires, supplyFor } from './powered.ts';
export { type MappedPin, type PinLearned, type PinLeft, type ProfileLearned, carriesProved, mappedPins, plugsRead, withProved } from './proved.ts';
export { type LegPath, type LegRoute, type RouteParts, legOf, legRoutes, routeParts } from './route.ts';
export { behaviourOf, measuredSlots, neverSlot, otherSources, sourcesFor } from './sources.ts';
export { type WireJoint, wireJoints, wiresBared } from './wire.ts';

import { defineAsyncComponent, type Component } from 'vue';
import type { Station } from '@jade/core/stations';
import { fetchKnownPieces } from '../job/known-pieces.ts';

const LOADERS: Record<Station, () => Promise<{ default: Component }>> = {
  'check-in': () => import('../stations/check-in/CheckInStation.vue'),
  match: () => import('../stations/match/MatchStation.vue'),
  gather: () => import('../stations/gather/GatherStation.vue'),
  'open-up': () => import('../stations/open-up/OpenUpStation.vue'),
  wire: () => import('../stations/wire/WireStation.vue'),
  probe: () => import('../stations/probe/ProbeStation.vue'),
  sense: () => import('../stations/sense/SenseStation.vue'),
  fit: () => import('../stations/fit/FitStation.vue'),
  'close-up': () => import('../stations/close-up/CloseUpStation.vue'),
  aim: () => import('../stations/aim/AimStation.vue'),
  'hand-over': () => import('../stations/hand-over/HandOverStation.vue'),
};

/** The view of each station, loaded when it is first shown. */
export const STATION_VIEWS = Object.fromEntries(Object.entries(LOADERS).map(([station, load]) => [station, defineAsyncComponent(load)])) as Record<Station, Component>;

/** Begins to load a station's view, while its job is still on the way. */
export function fetchStation(station: Station): void {
  // What fails here fails again where the view is shown, and is said there.
  LOADERS[station]().catch(() => undefined);
}

/** Forms that a station opens only when they are wanted. */
const FORMS: readonly (() => Promise<unknown>)[] = [
  () => import('../job/AccessoryFound.vue'),
  () => import('../job/VehiclesDiffer.vue'),
  () => import('../stations/check-in/GapFound.vue'),
  () => import('../stations/check-in/MeasuresTaken.vue'),
  () => import('../stations/close-up/GoesBackFirst.vue'),
  () => import('../stations/open-up/FoundHere.vue'),
  () => import('../stations/open-up/GoesFurther.vue'),
  () => import('../stations/open-up/HeldOtherwise.vue'),
  () => import('../stations/open-up/PieceCame.vue'),
  () => import('../stations/open-up/SupplyIsolated.vue'),
  () => import('../stations/open-up/TwinsAsk.vue'),
  () => import('../stations/sense/SensorFound.vue'),
  () => import('../stations/fit/StepFitted.vue'),
  () => import('../stations/wire/JointMade.vue'),
];

/** Loads what is not there yet, one after the other, so that every station of the job goes on without the server. */
export async function fetchTheRest(): Promise<void> {
  for (const load of [...Object.values(LOADERS), ...FORMS]) await load().catch(() => undefined);
  await fetchKnownPieces();
}

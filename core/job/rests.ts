import type { Fault } from '../faults/index.ts';
import type { Kit } from '../kit/index.ts';
import type { RuleSet } from '../rules/index.ts';
import type { VehicleProfile } from '../vehicle/index.ts';
import type { PlugLibrary } from '../wiring/index.ts';
import type { JobDocuments } from './context.ts';
import { idCheck, standingEvents } from '../log/index.ts';
import type { LoggedEvent } from '../events/index.ts';

type Documents = Pick<JobDocuments, 'profile' | 'kits' | 'rules' | 'plugs'>;
type Named = [list: string, id: string, within?: Named[]];

const ids = (list: string, items: readonly { id: string }[]): Named[] => items.map(({ id }) => [list, id]);
const texts = (list: string, items: readonly string[]): Named[] => items.map((id) => [list, id]);

const inProfile = (profile: VehicleProfile): Named[] => [
  ...profile.facts.map((fact): Named => ['facts', fact.id, texts('choices', fact.choices)]),
  ...ids('supplies', profile.supplies),
  ...profile.pieces.map((piece): Named => [
    'pieces',
    piece.id,
    [...ids('fasteners', piece.fasteners), ...piece.levels.map((level): Named => ['levels', level.level, ids('ways', level.ways)])],
  ]),
  ...ids('sensors', profile.sensors),
  ...profile.plugs.map((plug): Named => ['plugs', plug.id, ids('pins', plug.pins)]),
  ...ids('circuits', profile.circuits),
  ...ids('channels', profile.channels ?? []),
  ...profile.mounts.map((mount): Named => ['mounts', mount.id, ids('reach', mount.reach)]),
  ...ids('functions', profile.functions),
  ...ids('gaps', profile.gaps),
  ...ids('grounds', profile.grounds ?? []),
  ...ids('segments', profile.cableWays?.segments ?? []),
];

const inKit = (kit: Kit): Named[] => [
  ...ids('lamps', kit.lamps),
  ...ids('contents', kit.contents),
  ...kit.options.map((option): Named => ['options', option.id, ids('choices', option.choices)]),
  ...ids('plugs', kit.plugs),
  ...ids('relays', kit.relays),
  ...ids('feeds', kit.feeds),
  ...ids('legs', kit.legs),
  ...ids('benchTasks', kit.benchTasks),
  ...kit.fitments.map((fitment): Named => [
    'fitments',
    fitment.vehicle,
    [...ids('connections', fitment.connections), ...ids('fitSteps', fitment.fitSteps), ...ids('tests', fitment.tests)],
  ]),
];

const inPlugs = (plugs: PlugLibrary | undefined): Named[] => ids('adapters', plugs?.adapters ?? []);

const inRules = (rules: RuleSet): Named[] => ids('aim', rules.aim);

/** What the second list no longer has, each once: what is within something that is gone is gone with it. */
function gone(before: readonly Named[], after: readonly Named[], at: string): string[] {
  const kept = new Map(after.map(([list, id, within]) => [`${list} ${id}`, within ?? []]));
  return before.flatMap(([list, id, within = []]) => {
    const there = kept.get(`${list} ${id}`);
    return there ? gone(within, there, `${at} ${list} ${id}`) : [`${at} ${list} ${id}`];
  });
}

/**
 * Everything that an event can name in some documents and that other ones no longer have, of every list, as
 * `document list id`, with what it is within before it.
 */
export function lostIn(before: Documents, after: Documents): string[] {
  return [
    ...gone(inProfile(before.profile), inProfile(after.profile), before.profile.slug),
    ...before.kits.flatMap((kit) => {
      const other = after.kits.find(({ slug }) => slug === kit.slug);
      return gone(inKit(kit), other ? inKit(other) : [], kit.slug);
    }),
    ...gone(inPlugs(before.plugs), inPlugs(after.plugs), before.plugs?.slug ?? ''),
    ...gone(inRules(before.rules), inRules(after.rules), before.rules.slug),
  ];
}

/**
 * What was recorded in a log, and not taken back, that would name nothing by other documents: a job that took these over would lose it.
 * @param path where the log stands, as in `jobs.hill-road-12`
 */
export function wouldLose(log: readonly LoggedEvent[], documents: Documents, path: string): Fault[] {
  const check = idCheck(documents);
  return standingEvents(log).flatMap((event) => {
    const faults = check(event, `${path}.events[${event.seq ?? '?'}]`);
    // A way that does not go here is blocked by being gone as well.
    return event.type === 'way.blocked' ? faults.filter(({ data }) => data.what !== 'way') : faults;
  });
}

import type { Fault } from '@jade/core/faults';
import { idCheck } from '@jade/core/log';
import type { JobDocuments } from '@jade/core/job';
import type { LoggedEvent } from '@jade/core/events';
import { checkKit } from '@jade/core/kit';
import { checkProfile } from '@jade/core/vehicle';
import { checkEvent } from '@jade/contract/job';
import { refuse } from './computation.ts';

/** Faults of a part of an input, with its name before their paths. */
export function prefixed(faults: Fault[], prefix: string): Fault[] {
  return faults.map((fault) => ({ ...fault, path: `${prefix}.${fault.path}` }));
}

/** The events of a log, each of its form and none twice. */
export function checkedLog(log: readonly unknown[], path = 'log'): LoggedEvent[] {
  const faults: Fault[] = [];
  const events = log.flatMap((entry, index) => {
    const { seq, person, device, ...event } = (typeof entry === 'object' && entry !== null ? entry : {}) as Record<string, unknown>;
    const checked = checkEvent(event, `${path}[${index}]`);
    if ('faults' in checked) {
      faults.push(...checked.faults);
      return [];
    }
    return [{ ...checked.event, seq, person, device } as LoggedEvent];
  });
  const ids = new Set<string>();
  events.forEach(({ id }, index) => {
    if (ids.has(id)) faults.push({ path: `${path}[${index}].id`, code: 'duplicate-id', data: { id } });
    ids.add(id);
  });
  refuse(faults);
  return events;
}

/** Refuses documents of a job that do not hold together. */
export function checkDocuments({ profile, kits }: Pick<JobDocuments, 'profile' | 'kits'>): void {
  refuse(prefixed(checkProfile(profile), 'profile'));
  const profiles = new Map([[profile.slug, profile]]);
  refuse(kits.flatMap((kit, index) => prefixed(checkKit({ ...kit, fitments: kit.fitments.filter((fitment) => profiles.has(fitment.vehicle)) }, profiles), `kits[${index}]`)));
}

/** The events of a log that speak of nothing its documents do not have. */
export function knownLog(documents: JobDocuments, log: readonly unknown[], path = 'log'): LoggedEvent[] {
  const events = checkedLog(log, path);
  const check = idCheck(documents);
  refuse(events.flatMap((event, index) => check(event, `${path}[${index}]`)));
  return events;
}

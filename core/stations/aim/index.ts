import { floorSlope, lampAims, LOW_LIVE, supplyBars, type JobContext, type LampAim } from '../../job/index.ts';
import type { Moment, Payloads } from '../../events/index.ts';
import type { PhotoSubject } from '../../photos/index.ts';
import type { AimRule } from '../../rules/index.ts';
import { key } from '../../subject/index.ts';
import { happened, refused, unless, type Act } from '../act.ts';
import { question, todo, type Asked } from '../hold.ts';
import { raisedAt } from '../stand.ts';
import { askedOfUnplaced } from '../undescribed.ts';

export function asked(context: JobContext): Asked[] {
  const lamps = lampAims(context);
  const wanted = askedOfUnplaced(context, 'aimed');
  if (lamps.length === 0) return wanted;
  const own = lamps.filter((lamp) => !lamp.byOthers);
  if (own.length > 0 && !context.state.wall) wanted.push(todo('wall-missing'));
  if (own.length > 0 && context.state.wall && context.state.wall.floorAtWallMm === undefined) wanted.push(todo('floor-missing'));
  const slope = floorSlope(context);
  if (own.length > 0 && slope?.beyond) wanted.push(question('floor-beyond', { mmPerM: slope.mmPerM, toleranceMmPerM: slope.toleranceMmPerM }, key({ kind: 'floor' })));
  const prepared = context.state.aimPrepared;
  if (own.length > 0 && !(prepared?.tyres && prepared.load && prepared.levelling)) wanted.push(todo('aim-preparation'));
  for (const lamp of own) {
    const data = { kit: lamp.kit.slug, lamp: lamp.lamp.id };
    const about = key({ kind: 'aim', ...data });
    if (!lamp.referenced) wanted.push(todo('height-missing', data, about));
    if (!lamp.after) wanted.push(todo('aim-missing', data, about));
    else if (!lamp.after.within) wanted.push(question('aim-out', { ...data, errorMm: lamp.after.errorMm }, about));
  }
  return wanted;
}

export function begun({ state }: JobContext): boolean {
  return state.wall !== undefined || Object.keys(state.aims).length > 0 || Object.keys(state.aimByOthers).length > 0;
}

/** Where nothing is asked, nothing is left to be done. */
export const ready = (): boolean => true;

/** Rules of the rule set for the beams of this job. */
export function rulesHere(context: JobContext): AimRule[] {
  const beams = new Set(lampAims(context).map((aim) => aim.lamp.optics.beam));
  return context.rules.aim.filter((rule) => beams.has(rule.beam));
}

/** The rule that the wall is set for: as chosen, else the first for the beams of this job. */
export function ruleHere(context: JobContext): AimRule | undefined {
  const rules = rulesHere(context);
  return rules.find((rule) => rule.id === context.state.wall?.rule) ?? rules[0];
}

/** The wall set: a distance has to be measured before a rule or a floor stands for anything. */
export function setWall(context: JobContext, part: Partial<Payloads['wall.set']>): Act {
  const before = context.state.wall;
  const rule = part.rule ?? before?.rule ?? ruleHere(context)?.id;
  const distanceMm = part.distanceMm ?? before?.distanceMm;
  const floorAtWallMm = part.floorAtWallMm ?? before?.floorAtWallMm;
  if (rule === undefined || !context.rules.aim.some((entry) => entry.id === rule)) return refused({ code: 'unknown', what: 'rule', id: rule ?? '' });
  if (distanceMm === undefined) return refused({ code: 'wall-first' });
  return happened({ type: 'wall.set', payload: { rule, distanceMm, ...(floorAtWallMm === undefined ? {} : { floorAtWallMm }) } });
}

/** One of the preparations for aiming done or taken back. */
export function prepare({ state }: JobContext, part: Partial<Payloads['aim.prepared']>): Act {
  return happened({ type: 'aim.prepared', payload: { tyres: false, load: false, levelling: false, ...state.aimPrepared, ...part } });
}

/** Where the cut-off of a lamp was seen on the wall, with the lamp lit. */
export function measured(context: JobContext, lamp: string, moment: Moment, heightMm: number, at: string): Act {
  const aim = lampAims(context).find((entry) => entry.key === lamp);
  if (!aim) return refused({ code: 'unknown', what: 'lamp', id: lamp });
  const place = raisedAt(context);
  if (place !== undefined) return refused({ code: 'let-down-first', place });
  if (!context.state.wall) return refused({ code: 'wall-first' });
  if (!aim.referenced) return refused({ code: 'height-first', lamp });
  return unless(supplyBars(context, LOW_LIVE, at), () => [{ type: 'aim.measured', payload: { lamp, moment, heightMm, referenceMm: aim.referenceMm } }]);
}

/** Height of a lamp's reference point measured on this vehicle: what was and will be read on the wall counts with it. */
export function referenced(context: JobContext, lamp: string, referenceMm: number): Act {
  if (!lampAims(context).some((entry) => entry.key === lamp)) return refused({ code: 'unknown', what: 'lamp', id: lamp });
  const place = raisedAt(context);
  if (place !== undefined) return refused({ code: 'let-down-first', place });
  return context.state.references[lamp] === referenceMm ? refused({ code: 'already' }) : happened({ type: 'aim.referenced', payload: { lamp, referenceMm } });
}

/** Aim left to others, of one lamp or of all: a recorded result with its limit. */
export function byOthers(context: JobContext, lamp: string | 'all', by: string): Act {
  const lamps = lampAims(context).filter((aim) => lamp === 'all' || aim.key === lamp);
  if (lamps.length === 0 || !by.trim()) return refused({ code: 'nothing' });
  return { events: lamps.map((aim) => ({ type: 'aim.by-others', payload: { lamp: aim.key, by: by.trim() } })) };
}

export const PREPARATIONS = ['tyres', 'load', 'levelling'] as const;
export type Preparation = (typeof PREPARATIONS)[number];

/** One thing that hands do at Aim. */
export type AimStep = { kind: 'wall' | 'floor'; id: string } | { kind: 'prepare'; id: string; what: Preparation } | { kind: 'height' | 'read'; id: string; lamp: LampAim };

/**
 * What is left to do with hands at Aim, one at a time: tyres, load and levelling, the wall and the floor at it, then lamp by lamp how high it sits and
 * where its light lands. A lamp that lands out of its band is read again; one aimed by others is not read here.
 */
export function floorSteps(context: JobContext): AimStep[] {
  const own = lampAims(context).filter(({ byOthers: others }) => !others);
  if (own.length === 0) return [];
  const { wall, aimPrepared } = context.state;
  return [
    ...PREPARATIONS.filter((what) => !aimPrepared?.[what]).map((what): AimStep => ({ kind: 'prepare', id: what, what })),
    ...(wall ? [] : [{ kind: 'wall' as const, id: 'wall' }]),
    ...(wall?.floorAtWallMm === undefined ? [{ kind: 'floor' as const, id: 'floor' }] : []),
    ...own.flatMap((lamp): AimStep[] => [
      ...(lamp.referenced ? [] : [{ kind: 'height' as const, id: `height:${lamp.key}`, lamp }]),
      ...(lamp.after?.within ? [] : [{ kind: 'read' as const, id: `read:${lamp.key}`, lamp }]),
    ]),
  ];
}

/** What is photographed at a step: where a lamp lands. */
export const pictured = (step: AimStep): PhotoSubject | undefined => (step.kind === 'read' ? { kind: 'aim', kit: step.lamp.kit.slug, lamp: step.lamp.lamp.id } : undefined);

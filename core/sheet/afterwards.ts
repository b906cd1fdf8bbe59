import type { KitControl } from '../kit/index.ts';
import { evaluate } from '../facts/index.ts';
import { contentChecks, kitsFittedBefore, kitsOnVehicle, lampAims, replacedPieces, suppliesNow } from '../job/index.ts';
import { leavingCautions } from '../plan/index.ts';
import { outstanding, wanting } from '../events/index.ts';
import { watchedLamps } from '../loom/index.ts';
import type { With } from './entries.ts';
import type { PartLine, UseLine } from './sheet.ts';

/** What became of parts and fasteners. */
export function partLines({ said, ...context }: With): PartLine[] {
  const { state, profile } = context;
  const replaced = replacedPieces(context);
  const bagged = Object.entries(state.bagged).map(([piece, where]): PartLine => ({ code: 'bagged', piece, where, from: said.last('part.bagged', (own) => own.piece === piece) }));
  const fasteners = Object.entries(state.tray).flatMap(([piece, groups]) =>
    Object.entries(groups).flatMap(([group, tally]): PartLine[] => {
      const of = (own: { piece: string; group: string }) => own.piece === piece && own.group === group;
      const moves = said.all('piece.moved', (own) => own.piece === piece);
      const once = profile.pieces.find(({ id }) => id === piece)?.fasteners.find(({ id }) => id === group)?.singleUse;
      const home = !replaced.includes(piece);
      const line = (code: 'renewed' | 'wanting' | 'again' | 'dropped' | 'out', count: number, from: string[]): PartLine[] =>
        count > 0 ? [{ code, piece, group, count, from }] : [];
      return [
        ...line('renewed', tally.renewed, said.all('fastener.renewed', of)),
        ...line('wanting', home ? wanting(tally) : 0, said.all('fastener.broken', of)),
        ...line('again', once ? tally.back : 0, moves),
        ...line('dropped', tally.dropped, said.all('fastener.dropped', of)),
        ...line('out', home ? outstanding(tally) : 0, moves),
      ];
    }),
  );
  const over = contentChecks(context).flatMap(({ kit, check }) =>
    check.lines.flatMap(({ item, counted = 0, needed, wanted }): PartLine[] => {
      const count = needed === 'no' ? counted : counted - wanted;
      return count > 0
        ? [{ code: 'left over', kit: kit.slug, item: item.id, count, from: said.last('content.counted', (own) => own.kit === kit.slug && own.item === item.id) }]
        : [];
    }),
  );
  const open = Object.entries(state.pieces)
    .filter(([piece, level]) => level !== 'fitted' && !(replaced.includes(piece) && state.bagged[piece] !== undefined))
    .map(([piece, level]): PartLine => ({ code: 'open', piece, level, from: said.last('piece.moved', (own) => own.piece === piece) }));
  const closed = Object.keys(state.reached).filter((piece) => (state.pieces[piece] ?? 'fitted') === 'fitted');
  const again = Object.entries(state.tray).flatMap(([piece, groups]) =>
    (profile.pieces.find(({ id }) => id === piece)?.fasteners ?? []).flatMap(({ id: group, count, tighten: { recheckKm } }): PartLine[] =>
      recheckKm !== undefined && groups[group] && (state.pieces[piece] ?? 'fitted') === 'fitted'
        ? [{ code: 'tighten again', piece, group, count, afterKm: recheckKm, from: said.all('piece.moved', (own) => own.piece === piece) }]
        : [],
    ),
  );
  const backs = said.all('piece.moved', (own) => closed.includes(own.piece) && own.level === 'fitted');
  return [...(closed.length > 0 ? [{ code: 'closed' as const, count: closed.length, from: backs }] : []), ...open, ...bagged, ...fasteners, ...again, ...over];
}

function controlLines(slug: string, controls: readonly KitControl[], from: string[]): UseLine[] {
  return controls.flatMap(({ id: control, positions }) => positions.map(({ id: position, lights }): UseLine => ({ code: 'position', kit: slug, control, position, lights, from })));
}

/** How it is used, and what limits that. */
export function useLines({ said, ...context }: With): UseLine[] {
  const { state } = context;
  const pinned = [...said.all('job.opened'), ...said.all('job.repinned')];
  const kits = kitsOnVehicle(context).flatMap(({ kit, facts }): UseLine[] => [
    ...kit.options.flatMap(({ id: option }): UseLine[] => {
      const choice = state.options[kit.slug]?.[option];
      return choice === undefined
        ? []
        : [{ code: 'option', kit: kit.slug, option, choice, from: said.last('option.chosen', (own) => own.kit === kit.slug && own.option === option) }];
    }),
    ...controlLines(
      kit.slug,
      (kit.controls ?? []).filter(({ when }) => evaluate(when, facts) !== 'no'),
      pinned,
    ),
    ...kit.warnings.map((text): UseLine => ({ code: 'warning', text, from: pinned })),
  ]);
  const on = [...kitsOnVehicle(context), ...kitsFittedBefore(context)].filter(
    ({ kit, fitment }) => fitment && (context.fitted?.includes(kit) || Object.keys(state.passes[kit.slug] ?? {}).length > 0),
  );
  const driving = leavingCautions(context, on).map((caution): UseLine => ({
    code: 'caution',
    caution,
    from: [...said.all('step.passed', (own) => on.some(({ kit }) => kit.slug === own.kit)), ...(context.fitted ? pinned : [])],
  }));
  const aims = lampAims(context).flatMap((aim): UseLine[] =>
    aim.byOthers ? [{ code: 'aim by others', kit: aim.kit.slug, lamp: aim.lamp.id, by: aim.byOthers, from: said.last('aim.by-others', (own) => own.lamp === aim.key) }] : [],
  );
  const calibrations = Object.entries(state.calibrated).flatMap(([sensor, { how, by, note, dueOn }]): UseLine[] =>
    how === 'by others' ? [{ code: 'calibration', sensor, by: by ?? note ?? '', dueOn, from: said.last('sensor.calibrated', (own) => own.sensor === sensor) }] : [],
  );
  const reported = (watchedLamps(context) ?? []).flatMap(({ channel, accepted }): UseLine[] =>
    accepted ? [{ code: 'reported', channel: channel.id, from: said.last('outage.accepted', (own) => own.channel === channel.id) }] : [],
  );
  const restored = suppliesNow(context).flatMap(({ supply }) =>
    (state.settings[supply.id] ?? []).map((setting): UseLine => ({
      code: 'restored',
      supply: supply.id,
      setting,
      from: said.last('setting.restored', (own) => own.supply === supply.id && own.setting === setting),
    })),
  );
  const exceptions = Object.entries(state.exceptions).map(([about, note]): UseLine => ({
    code: 'exception',
    about,
    note,
    from: said.last('exception.named', (own) => own.about === about),
  }));
  return [...kits, ...driving, ...aims, ...calibrations, ...reported, ...restored, ...exceptions];
}

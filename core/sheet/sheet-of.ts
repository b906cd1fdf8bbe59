import type { KitControl } from '../kit/index.ts';
import {
  circuitLoads,
  contentChecks,
  floorSlope,
  fitStepsOf,
  functionsOf,
  gapWhyKey,
  kitsOnVehicle,
  lampAims,
  leftoverPlugs,
  lostFunctions,
  outstanding,
  replacedPieces,
  stepDone,
  suppliesNow,
  testsOf,
  wanting,
  watchedLamps,
  wireJoints,
  type EventType,
  type JobContext,
  type LoggedEvent,
} from '../job/index.ts';
import { sense } from '../stations/index.ts';
import { evaluate } from '../facts/index.ts';
import { entriesOf, type Entries } from './entries.ts';
import type {
  AimLine,
  ArrivalLine,
  CodesLine,
  FactoryLine,
  FedLine,
  FittedLine,
  GapLine,
  LitLine,
  MadeLine,
  PartLine,
  Recheck,
  SensorLine,
  Sheet,
  UseLine,
  WhoLine,
  Work,
} from './sheet.ts';

/** When new fasteners are looked at again; a default of the program, to be confirmed by the shop. */
const RECHECK = { afterKm: 100, afterDays: 14 };
const DAY_MS = 86_400_000;

type With = JobContext & { said: Entries };

/** Lamps of the kits at their places, with the fitting steps of their side. */
function fittedLines({ said, ...context }: With): FittedLine[] {
  return kitsOnVehicle(context).flatMap((onVehicle) => {
    const { kit, fitment } = onVehicle;
    return (fitment?.mounts ?? []).map(({ lamp, mount }): FittedLine => {
      const side = kit.lamps.find(({ id }) => id === lamp)?.side;
      const steps = fitStepsOf(onVehicle).filter((step) => step.side === side || step.side === 'centre' || side === 'centre');
      const from = said.all('step.passed', (pass) => pass.kit === kit.slug && steps.some(({ id }) => id === pass.step));
      const done = steps.length > 0 && steps.every((step) => stepDone(context, kit.slug, step));
      return { kit: kit.slug, lamp, mount, is: done ? 'fitted' : from.length > 0 ? 'begun' : 'not begun', from };
    });
  });
}

/** What feeds the lamps that are joined, by circuit. */
function fedLines({ said, ...context }: With): FedLine[] {
  const joints = wireJoints(context).filter(({ joined }) => joined);
  return circuitLoads(context).flatMap(({ circuit, check }): FedLine[] => {
    const own = joints.filter((joint) => joint.circuits.some(({ id }) => id === circuit.id));
    return [...new Set(own.map(({ kit }) => kit.slug))].map((kit): FedLine => {
      const ofKit = own.filter((joint) => joint.kit.slug === kit);
      const joined = said.all('plug.joined', (made) => made.kit === kit && ofKit.some(({ connection }) => connection.id === made.connection));
      return {
        kit,
        lamps: [...new Set(ofKit.flatMap(({ connection }) => connection.lamps))],
        circuit,
        seen: context.state.fuses[circuit.id] !== undefined,
        afterA: check.afterA,
        share: check.shareAfter,
        weakest: check.weakest,
        from: [...joined, ...said.last('fuse.seen', (fuse) => fuse.circuit === circuit.id)],
      };
    });
  });
}

function litLines({ said, ...context }: With): LitLine[] {
  return kitsOnVehicle(context).flatMap((onVehicle) => {
    const kit = onVehicle.kit.slug;
    return testsOf(onVehicle).map(({ id, lamps }): LitLine => {
      const [open, closed] = [context.state.tests[kit]?.[id], context.state.finalTests[kit]?.[id]];
      const of = (test: { kit: string; test: string }) => test.kit === kit && test.test === id;
      return {
        kit,
        test: id,
        open,
        closed,
        lights: lamps.length > 0,
        from: [...(open === undefined ? [] : said.last('test.tried', of)), ...(closed === undefined ? [] : said.last('final.tested', of))],
      };
    });
  });
}

function madeLines({ said, ...context }: With): MadeLine[] {
  const { state } = context;
  const joints = wireJoints(context).flatMap((joint): MadeLine[] => {
    if (!joint.joined) return [];
    const of = (made: { kit: string; connection: string }) => made.kit === joint.kit.slug && made.connection === joint.connection.id;
    const readings = joint.toProve.flatMap(({ plug, pin }) => said.all('reading.taken', (read) => read.plug === plug.id && read.pin === pin.id));
    const proved = joint.toProve.length > 0 && joint.toProve.every((wire) => wire.proof.code === 'proved');
    const checked = state.jointChecked[`${joint.kit.slug}/${joint.connection.id}`] ?? [];
    return [{ code: 'joint', joint, proved, checked, from: [...said.last('plug.joined', of), ...said.all('source.chosen', of), ...(proved ? readings : [])] }];
  });
  const capped = leftoverPlugs(context).map(({ plug, kit, capped: is }): MadeLine => ({
    code: 'capped',
    plug: plug.id,
    ...(kit ? { kit: kit.slug } : {}),
    capped: is,
    from: said.last('plug.capped', (cap) => cap.plug === plug.id && cap.kit === kit?.slug),
  }));
  const contacts = Object.entries(state.populated).flatMap(([plug, list]) =>
    list.map(({ row, column, carries }): MadeLine => ({
      code: 'contact',
      plug,
      row,
      column,
      carries,
      from: said.last('cavity.populated', (put) => put.plug === plug && put.row === row && put.column === column),
    })),
  );
  const moved = Object.entries(state.contactsMoved).map(([at, moves]): MadeLine => {
    const [kit = '', plug = ''] = at.split('/');
    return { code: 're-pinned', kit, plug, count: moves.length, from: said.all('contacts.moved', (put) => put.kit === kit && put.plug === plug) };
  });
  const legs = Object.keys(state.laid).map((at): MadeLine => {
    const [kit = '', leg = ''] = at.split('/');
    return { code: 'leg', kit, leg, from: said.last('leg.laid', (laid) => laid.kit === kit && laid.leg === leg) };
  });
  const drilled = Object.entries(state.drillAgreed).map(([segment, { by }]): MadeLine => ({
    code: 'drilled',
    segment,
    by,
    from: said.last('drill.agreed', (hole) => hole.segment === segment),
  }));
  const consents = Object.entries(state.consents).map(([about, by]): MadeLine => ({
    code: 'consent',
    about,
    by,
    from: said.last('consent.given', (given) => given.about === about),
  }));
  return [...joints, ...capped, ...contacts, ...moved, ...legs, ...drilled, ...consents];
}

function arrivalLines({ said, state }: With): ArrivalLine[] {
  const opened = said.all('job.opened');
  const { wish, mileage } = state.opened ?? {};
  return [
    ...(wish ? [{ code: 'wish' as const, text: wish, from: opened }] : []),
    { code: 'mileage', ...(mileage ? { mileage, from: opened } : { from: [] }) },
    { code: 'battery', restV: state.restV, why: state.measureWhy.battery, from: said.last('battery.measured') },
    ...state.damage.map(({ event, place, note }): ArrivalLine => ({ code: 'damage', place, note, from: [event] })),
    ...Object.values(state.accessories).map((accessory): ArrivalLine => ({
      code: 'accessory',
      accessory,
      from: said.last('accessory.found', (found) => found.accessory === accessory.accessory),
    })),
  ];
}

function factoryLines({ said, ...context }: With): FactoryLine[] {
  const lost = lostFunctions(context);
  return functionsOf(context).map((lamp): FactoryLine => {
    const of = (tried: { lamp: string }) => tried.lamp === lamp.id;
    const replaced = lost.includes(lamp.id);
    return {
      lamp,
      before: context.state.baseline[lamp.id],
      after: context.state.final[lamp.id],
      replaced,
      from: [...said.last('baseline.tried', of), ...said.last('final.tried', of), ...(replaced ? said.all('job.opened') : [])],
    };
  });
}

function gapLines({ said, state, profile }: With): GapLine[] {
  return profile.gaps.map((gap): GapLine => {
    const at = (moment: 'before' | 'after') => said.last('gap.measured', (own) => own.gap === gap.id && own.moment === moment);
    const why = (moment: 'before' | 'after') => state.measureWhy[gapWhyKey(gap.id, moment)];
    return {
      gap,
      beforeMm: state.gaps.before[gap.id],
      afterMm: state.gaps.after[gap.id],
      beforeWhy: why('before'),
      afterWhy: why('after'),
      from: [...at('before'), ...at('after')],
    };
  });
}

function aimLines({ said, ...context }: With): AimLine[] {
  const { wall } = context.state;
  return lampAims(context).map((aim): AimLine => {
    const of = (own: { lamp: string }) => own.lamp === aim.key;
    const read = (moment: 'before' | 'after') => said.last('aim.measured', (own) => of(own) && own.moment === moment);
    const from = [...said.last('aim.referenced', of), ...read('before'), ...read('after'), ...(aim.byOthers ? said.last('aim.by-others', of) : [])];
    return {
      kit: aim.kit.slug,
      lamp: aim.lamp.id,
      rule: aim.rule,
      distanceMm: wall?.distanceMm,
      ...(aim.referenced ? { referenceMm: aim.referenceMm } : {}),
      wantedMm: aim.mark?.wantedMm,
      before: aim.before,
      after: aim.after,
      byOthers: aim.byOthers,
      floorBeyond: floorSlope(context)?.beyond ?? false,
      from: from.length > 0 ? [...said.last('wall.set'), ...from] : [],
    };
  });
}

function sensorLines({ said, ...context }: With): SensorLine[] {
  return sense.disturbedSensors(context, undefined).map(({ sensor: { id: sensor }, piece, calibrationDue }): SensorLine => {
    const of = (own: { sensor: string }) => own.sensor === sensor;
    const touched = [...said.all('sensor.unplugged', of), ...said.all('sensor.reconnected', of), ...said.last('sensor.moved', of), ...said.last('sensor.calibrated', of)];
    return {
      sensor,
      plug: context.state.unplugged.includes(sensor) ? 'unplugged' : said.all('sensor.reconnected', of).length > 0 ? 'reconnected' : 'never out',
      due: calibrationDue,
      calibrated: context.state.calibrated[sensor],
      from: [...said.all('piece.moved', (moved) => moved.piece === piece), ...touched],
    };
  });
}

function codeLines({ said, state }: With): CodesLine[] {
  return (['before', 'after'] as const).map((moment) => ({
    moment,
    read: state.codesRead[moment] !== undefined,
    codes: state.codes[moment].map(({ code, note }) => ({
      code,
      ...(note === undefined ? {} : { note }),
      from: said.last('code.recorded', (own) => own.code === code && own.moment === moment),
    })),
    from: said.last('codes.read', (own) => own.moment === moment),
  }));
}

function partLines({ said, ...context }: With): PartLine[] {
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
  const backs = said.all('piece.moved', (own) => closed.includes(own.piece) && own.level === 'fitted');
  return [...(closed.length > 0 ? [{ code: 'closed' as const, count: closed.length, from: backs }] : []), ...open, ...bagged, ...fasteners, ...over];
}

function controlLines(slug: string, controls: readonly KitControl[], from: string[]): UseLine[] {
  return controls.flatMap(({ id: control, positions }) => positions.map(({ id: position, lights }): UseLine => ({ code: 'position', kit: slug, control, position, lights, from })));
}

function useLines({ said, ...context }: With): UseLine[] {
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
  return [...kits, ...aims, ...calibrations, ...reported, ...restored, ...exceptions];
}

const MADE_BY: Readonly<Record<Work, readonly EventType[]>> = {
  arrival: ['baseline.tried', 'battery.measured', 'number.recorded', 'damage.noted'],
  opening: ['piece.moved'],
  wiring: ['plug.joined', 'plug.capped', 'leg.laid', 'cavity.populated', 'contacts.moved'],
  fitting: ['step.passed'],
  testing: ['test.tried', 'reading.taken'],
  aiming: ['aim.measured'],
  leaving: ['final.tested', 'final.tried'],
};

function whoLines({ said }: With): WhoLine[] {
  return (Object.entries(MADE_BY) as [Work, readonly EventType[]][]).flatMap(([work, types]): WhoLine[] => {
    const { people, from } = said.people(types);
    return people.length > 0 ? [{ work, people, from }] : [];
  });
}

function recheckOf(fitted: readonly FittedLine[], at: string): { recheck?: Recheck } {
  const any = fitted.some(({ is }) => is !== 'not begun');
  return any ? { recheck: { afterKm: RECHECK.afterKm, on: new Date(Date.parse(at) + RECHECK.afterDays * DAY_MS).toISOString().slice(0, 10) } } : {};
}

/**
 * What the customer's sheet says of a job: what was fitted and how, how the vehicle came and how it leaves. Every line names the entries of the
 * log that say it; a line without any says only that something is not on record.
 * @param log the entries that the context was folded from
 * @param at when it is signed or looked at, as an ISO time
 */
export function sheetOf(context: JobContext, log: readonly LoggedEvent[], at: string): Sheet {
  const given: With = { ...context, said: entriesOf(log) };
  const fitted = fittedLines(given);
  return {
    seq: context.state.lastSeq,
    ...(context.state.left === undefined ? {} : { left: context.state.left }),
    fitted,
    fed: fedLines(given),
    lit: litLines(given),
    made: madeLines(given),
    arrival: arrivalLines(given),
    factory: factoryLines(given),
    gaps: gapLines(given),
    aims: aimLines(given),
    sensors: sensorLines(given),
    codes: codeLines(given),
    parts: partLines(given),
    use: useLines(given),
    who: whoLines(given),
    ...recheckOf(fitted, at),
    rules: context.rules.name,
  };
}

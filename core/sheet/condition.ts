import { floorSlope, functionsOf, lampAims, lensesOf, lostFunctions } from '../job/index.ts';
import { gapWhyKey, lensWhyKey, warningsWhyKey } from '../events/index.ts';
import { sense } from '../stations/index.ts';
import type { With } from './entries.ts';
import type { AimLine, ArrivalLine, CodesLine, FactoryLine, GapLine, LensLine, SensorLine, WarningsLine } from './sheet.ts';

/** How the vehicle came. */
export function arrivalLines({ said, state }: With): ArrivalLine[] {
  const opened = said.all('job.opened');
  const wished = said.last('wish.written');
  const { wish } = state;
  const { mileage } = state.opened ?? {};
  return [
    ...(wish ? [{ code: 'wish' as const, text: wish, from: wished.length > 0 ? wished : opened }] : []),
    { code: 'mileage', ...(mileage ? { mileage, from: opened } : { from: [] }) },
    { code: 'battery', restV: state.restV, why: state.measureWhy.battery, from: said.last('battery.measured') },
    ...state.damage.map(({ event, place, note }): ArrivalLine => ({ code: 'damage', place, note, from: [event] })),
    ...Object.values(state.accessories).map((accessory): ArrivalLine => ({
      code: 'accessory',
      accessory,
      from: said.last('accessory.found', (found) => found.accessory === accessory.accessory),
    })),
    ...Object.entries(state.came).map(([piece, level]): ArrivalLine => ({ code: 'came-open', piece, level, from: said.last('piece.found', (found) => found.piece === piece) })),
  ];
}

/** Its own lamps, as they came and as they leave. */
export function factoryLines({ said, ...context }: With): FactoryLine[] {
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

/** Its panel gaps, as they came and as they leave. */
export function gapLines({ said, state, profile }: With): GapLine[] {
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

/** Where the lamps that are aimed land. */
export function aimLines({ said, ...context }: With): AimLine[] {
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

/** Sensors that the opening disturbed. */
export function sensorLines({ said, ...context }: With): SensorLine[] {
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

/** Warning lamps on arrival and leaving. */
export function warningLines({ said, state }: With): WarningsLine[] {
  return (['before', 'after'] as const).map((moment) => ({
    moment,
    lit: state.warnings[moment],
    why: state.measureWhy[warningsWhyKey(moment)],
    from: said.last('warnings.read', (own) => own.moment === moment),
  }));
}

/** Its lenses, as they came and as they leave. */
export function lensLines({ said, ...context }: With): LensLine[] {
  const { state } = context;
  const lost = lostFunctions(context);
  return lensesOf(context).map((lamp): LensLine => {
    const at = (moment: 'before' | 'after') => said.last('lens.graded', (own) => own.lamp === lamp.id && own.moment === moment);
    const replaced = lost.includes(lamp.id);
    return {
      lamp,
      before: state.lenses.before[lamp.id],
      after: state.lenses.after[lamp.id],
      beforeWhy: state.measureWhy[lensWhyKey(lamp.id, 'before')],
      afterWhy: state.measureWhy[lensWhyKey(lamp.id, 'after')],
      replaced,
      from: [...at('before'), ...at('after'), ...(replaced ? said.all('job.opened') : [])],
    };
  });
}

/** Fault codes on arrival and leaving, and whether they were read at all. */
export function codeLines({ said, state }: With): CodesLine[] {
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

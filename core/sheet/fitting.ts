import { circuitLoads, leftoverPlugs, wireJoints } from '../loom/index.ts';
import { fitStepsOf, kitsDropped, kitsFittedBefore, kitsOnVehicle, testsOf, toTakeOut } from '../job/index.ts';
import { stepDone } from '../plan/index.ts';
import type { With } from './entries.ts';
import type { DroppedLine, HeldLine, FedLine, FittedLine, LitLine, MadeLine } from './sheet.ts';

/** Lamps of the kits at their places, with the fitting steps of their side. */
export function fittedLines({ said, ...context }: With): FittedLine[] {
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

/** Kits that were not fitted after all, with what stays of them. */
export function droppedLines({ said, ...context }: With): DroppedLine[] {
  const out = toTakeOut(context);
  return kitsDropped(context).map(({ kit, fitment }): DroppedLine => {
    const passed = (step: string) => said.all('step.passed', (pass) => pass.kit === kit.slug && pass.step === step);
    const why = context.state.dropped[kit.slug];
    return {
      kit: kit.slug,
      ...(why === undefined ? {} : { why }),
      stays: (fitment?.fitSteps ?? []).filter(({ id, irreversible }) => irreversible && passed(id).length > 0).map(({ id }) => id),
      left: out.filter((entry) => entry.kit === kit.slug).length,
      from: [...said.last('kit.dropped', (dropped) => dropped.kit === kit.slug), ...said.last('job.cancelled'), ...said.last('opening.left')],
    };
  });
}

/** Bolts of kits that an earlier job fitted. */
export function heldLines({ said, state }: With): HeldLine[] {
  return Object.entries(state.rechecked).flatMap(([kit, steps]) =>
    steps.map((step): HeldLine => ({ kit, step, from: said.last('step.rechecked', (held) => held.kit === kit && held.step === step) })),
  );
}

/** What feeds the lamps that are joined, by circuit. */
export function fedLines({ said, ...context }: With): FedLine[] {
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
        unknown: check.unknown,
        from: [...joined, ...said.last('fuse.seen', (fuse) => fuse.circuit === circuit.id)],
      };
    });
  });
}

/** What the tests of the kits lit, open and closed. */
export function litLines({ said, ...context }: With): LitLine[] {
  const before = kitsFittedBefore(context);
  return [...kitsOnVehicle(context), ...before].flatMap((onVehicle) => {
    const kit = onVehicle.kit.slug;
    const earlier = before.includes(onVehicle);
    return testsOf(onVehicle).flatMap(({ id, lamps }): LitLine[] => {
      if (earlier && lamps.length === 0) return [];
      const [open, closed] = [context.state.tests[kit]?.[id], context.state.finalTests[kit]?.[id]];
      const of = (test: { kit: string; test: string }) => test.kit === kit && test.test === id;
      const from = [...(open === undefined ? [] : said.last('test.tried', of)), ...(closed === undefined ? [] : said.last('final.tested', of))];
      return [{ kit, test: id, open, closed, lights: lamps.length > 0, before: earlier, from }];
    });
  });
}

/** How everything was joined, capped, laid and agreed to. */
export function madeLines({ said, ...context }: With): MadeLine[] {
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

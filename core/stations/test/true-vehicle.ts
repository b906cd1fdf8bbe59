import type { EventType, LoggedEvent, Payloads } from '../../events/index.ts';
import type { JobDocuments } from '../../job/index.ts';
import type { Connection, Fitment, FitStep } from '../../kit/index.ts';
import { evaluate, type FactValues } from '../../facts/index.ts';
import { LEVELS, positionsOf, type Level, type LevelNeed, type Piece, type SupplyAsk, type SupplyId, type VehicleProfile } from '../../vehicle/index.ts';

const rank = (level: Level) => LEVELS.indexOf(level);

/**
 * A vehicle as it really stands in the bay, apart from what the log says of it: what can be done to it is worked out here from the
 * profile alone, and every event is held against it. An event that could not have happened throws.
 */
export class TrueVehicle {
  readonly levels = new Map<string, Level>();
  readonly out = new Map<string, number>();
  readonly unplugged = new Set<string>();
  readonly joined = new Set<string>();
  readonly passes = new Set<string>();
  readonly live = new Map<SupplyId, { is: 'live' | 'dead'; deadFrom: number }>();
  readonly forgotten = new Set<string>();
  readonly broken = new Map<string, number>();
  /** New fasteners that were put in. */
  readonly fresh = new Map<string, number>();
  readonly opened = new Set<string>();
  readonly bagged = new Set<string>();
  readonly stand = new Map<string, string>();
  /** The work is not done after all: nothing of a kit may stay. */
  cancelled = false;
  private readonly profile: VehicleProfile;
  /** What is so of it, and of the kits on it: options as chosen, or as they are usual. */
  readonly facts: FactValues;

  constructor(
    private readonly documents: JobDocuments,
    facts: FactValues,
  ) {
    this.facts = { ...Object.fromEntries(documents.kits.flatMap((kit) => kit.options.map((option) => [`option.${option.id}`, option.default]))), ...facts };
    this.profile = documents.profile;
    for (const supply of this.profile.supplies) this.live.set(supply.id, { is: 'live', deadFrom: Infinity });
  }

  private piece(id: string): Piece {
    const found = this.profile.pieces.find((piece) => piece.id === id);
    if (!found) throw new Error(`no piece ${id}`);
    if (evaluate(found.when, this.facts) === 'no') throw new Error(`${id} is not on this vehicle`);
    return found;
  }

  private level(id: string): Level {
    return this.levels.get(id) ?? 'fitted';
  }

  private there = (need: LevelNeed) => evaluate(this.profile.pieces.find((piece) => piece.id === need.piece)?.when, this.facts) !== 'no';

  private holds(needs: readonly LevelNeed[]): boolean {
    return needs.every((need) => !this.there(need) || rank(this.level(need.piece)) >= rank(need.level));
  }

  private want(asks: readonly SupplyAsk[], at: number, what: string): void {
    for (const { supply, is } of asks) {
      const now = this.live.get(supply);
      if (!now) continue;
      if (now.is !== is) throw new Error(`${what}: ${supply} is ${now.is}`);
      if (is === 'dead' && at < now.deadFrom) throw new Error(`${what}: ${supply} is not dead yet`);
    }
  }

  private move({ piece: id, level: to, way: wayId, fasteners }: Payloads['piece.moved'], at: number): void {
    const piece = this.piece(id);
    const from = this.level(id);
    const opening = rank(to) > rank(from);
    const target = piece.levels.find((entry) => entry.level === (opening ? to : from));
    const way = target?.ways.find((entry) => entry.id === wayId) ?? target?.ways[0];
    if (opening && !(way && this.holds(way.needs))) throw new Error(`${id} cannot come ${to} yet`);
    if (opening && positionsOf(way).some(({ kind, place }) => this.stand.get(kind) !== place)) throw new Error(`${id} cannot come ${to} as the vehicle stands`);
    this.want([...(target?.asks ?? []), ...(way?.asks ?? [])], at, `${id} ${to}`);
    const between = piece.fasteners.filter((group) => rank(group.atLevel) > Math.min(rank(from), rank(to)) && rank(group.atLevel) <= Math.max(rank(from), rank(to)));
    for (const group of between) {
      const counted = fasteners.find((entry) => entry.group === group.id)?.count ?? 0;
      // What is used once only does not go back: new ones do, and that is said of its own.
      const key = `${id}/${group.id}`;
      const broken = this.broken.get(key) ?? 0;
      const wanted = opening ? group.count : group.singleUse ? 0 : group.count - broken;
      if (counted !== wanted) throw new Error(`${key}: ${counted} counted, ${wanted} there`);
      this.out.set(key, opening || group.singleUse ? group.count : broken);
    }
    this.levels.set(id, to);
    if (opening) this.opened.add(id);
    else this.bagged.delete(id);
    if (!opening) this.mustStayOpen(id);
    if (to === 'fitted') this.notInTheWay(id);
    if (to === 'fitted') this.byTheRules(id);
    for (const supply of this.profile.supplies) {
      if (supply.piece !== id) continue;
      const off = rank(to) >= rank(supply.level);
      if (off === (this.live.get(supply.id)?.is === 'dead')) continue;
      this.live.set(supply.id, off ? { is: 'dead', deadFrom: at + supply.waitMin * 60_000 } : { is: 'live', deadFrom: Infinity });
      if (off) for (const setting of supply.forgets) this.forgotten.add(`${supply.id}/${setting}`);
      if (!off) this.mayBeLive(supply.id);
    }
  }

  /** Nothing that is still open may have been reached through what went back. */
  private mustStayOpen(id: string): void {
    for (const piece of this.profile.pieces) {
      const level = this.levels.get(piece.id);
      if (level === undefined || level === 'fitted' || this.replaced().has(piece.id)) continue;
      const ways = piece.levels.find((entry) => entry.level === level)?.ways ?? [];
      if (ways.some((way) => way.needs.some((need) => need.piece === id)) && !ways.some((way) => this.holds(way.needs)))
        throw new Error(`${piece.id} is ${level}, and ${id} went back before it`);
    }
  }

  /** No piece is home before what the refit rules put first: a piece that is open, or the kit's part in the place of a replaced one. */
  private byTheRules(id: string): void {
    for (const rule of this.profile.refitRules) {
      if (rule.then !== id || evaluate(rule.when, this.facts) === 'no' || !this.there({ piece: rule.first, level: 'off' })) continue;
      if (!this.replaced().has(rule.first)) {
        if (this.level(rule.first) !== 'fitted') throw new Error(`${id} went back before ${rule.first}`);
        continue;
      }
      for (const { kit, fitment } of this.fitments()) {
        for (const step of fitment.fitSteps.filter((entry) => entry.inPlaceOf?.includes(rule.first)))
          if (step.passes.some((pass) => !this.passes.has(`${kit}/${step.id}/${pass}`))) throw new Error(`${id} went back before ${step.id}`);
      }
    }
  }

  /** What a kit took the place of does not go back while the kit's part sits there. */
  private notInTheWay(id: string): void {
    for (const { kit, fitment } of this.fitments()) {
      if (!fitment.replaces.includes(id)) continue;
      const side = this.piece(id).side;
      const sits = fitment.fitSteps.find(
        (step) => (step.side === side || step.side === 'centre' || side === 'centre') && step.passes.some((pass) => this.passes.has(`${kit}/${step.id}/${pass}`)),
      );
      if (sits) throw new Error(`${id} went back while ${sits.id} is not undone`);
    }
  }

  private mayBeLive(supply: SupplyId): void {
    for (const piece of this.profile.pieces) {
      const kept = piece.levels.some((level) => level.deadWhileOpen?.includes(supply) && rank(this.level(piece.id)) >= rank(level.level));
      if (kept) throw new Error(`${supply} live while ${piece.id} is open`);
    }
  }

  private fitments(): { kit: string; fitment: Fitment }[] {
    return this.documents.kits.flatMap((kit) => kit.fitments.filter((fitment) => fitment.vehicle === this.profile.slug).map((fitment) => ({ kit: kit.slug, fitment })));
  }

  /** Pieces whose place a kit's part has taken, or is to take. */
  replaced(): Set<string> {
    if (this.cancelled) return new Set();
    return new Set(this.fitments().flatMap(({ fitment }) => fitment.replaces));
  }

  /** Whether a test lights anything: one that the kit wrote by its lamps, one of a control by its position; a pairing lights nothing. */
  lights(slug: string, id: string): boolean {
    const kit = this.documents.kits.find((entry) => entry.slug === slug);
    const written = this.fitments()
      .find((entry) => entry.kit === slug)
      ?.fitment.tests.find((test) => test.id === id);
    if (written) return written.lamps.length > 0;
    const [from, what] = id.split('.');
    const control = kit?.controls?.find((entry) => entry.id === from);
    return control ? (control.positions.find((entry) => entry.id === what)?.lights ?? []).length > 0 : true;
  }

  private step(kit: string, id: string): FitStep | undefined {
    return this.fitments()
      .find((entry) => entry.kit === kit)
      ?.fitment.fitSteps.find((step) => step.id === id);
  }

  private connection(kit: string, id: string): Connection | undefined {
    return this.fitments()
      .find((entry) => entry.kit === kit)
      ?.fitment.connections.find((entry) => entry.id === id);
  }

  private readonly lit = [{ supply: 'low' as const, is: 'live' as const }];

  /** What a test says of the vehicle: it is live, and what it lights is joined. */
  private tries(kit: string, test: string, passed: boolean, at: number): void {
    this.want(this.lit, at, test);
    this.mayBeLive('low');
    const known = this.fitments()
      .find((entry) => entry.kit === kit)
      ?.fitment.tests.find((entry) => entry.id === test);
    const joints =
      this.fitments()
        .find((entry) => entry.kit === kit)
        ?.fitment.connections.filter((entry) => evaluate(entry.when, this.facts) !== 'no') ?? [];
    if (!known) {
      // One that follows from a joint needs that joint; one of a control all that the kit joins.
      const own = joints.filter((entry) => test.startsWith(`${entry.id}.`));
      const open = (own.length > 0 ? own : joints).filter((entry) => !this.joined.has(`${kit}/${entry.id}`));
      if (passed && open.length > 0) throw new Error(`${test} passed with a plug open`);
      return;
    }
    const fed = this.fitments()
      .find((entry) => entry.kit === kit)
      ?.fitment.connections.filter((entry) => evaluate(entry.when, this.facts) !== 'no' && entry.lamps.some((lamp) => known?.lamps.includes(lamp)));
    const plugs = this.documents.kits.find((entry) => entry.slug === kit)?.plugs ?? [];
    const lights = fed?.filter((entry) => plugs.find((plug) => plug.id === entry.kitPlug)?.pins.some((pin) => pin.carries === known?.state || pin.carries === 'switched supply'));
    if (passed && !(lights ?? []).some((entry) => this.joined.has(`${kit}/${entry.id}`))) throw new Error(`${test} passed with a plug open`);
  }

  /** What an event does to the vehicle; events that only write something down do nothing. */
  private readonly does: { [T in EventType]?: (payload: Payloads[T], at: number) => void } = {
    'piece.moved': (payload, at) => this.move(payload, at),
    'fastener.renewed': ({ piece, group, count }) => {
      const out = this.out.get(`${piece}/${group}`) ?? 0;
      if (count > out) throw new Error(`${count} new ones of ${piece}/${group} where ${out} are out`);
      const key = `${piece}/${group}`;
      this.out.set(key, out - count);
      this.fresh.set(key, (this.fresh.get(key) ?? 0) + count);
      this.broken.set(key, Math.max(0, (this.broken.get(key) ?? 0) - count));
    },
    'fastener.broken': ({ piece, group, count }) => void this.broken.set(`${piece}/${group}`, (this.broken.get(`${piece}/${group}`) ?? 0) + count),
    'part.bagged': ({ piece }) => {
      if (this.level(piece) !== 'off' || !this.replaced().has(piece)) throw new Error(`${piece} was bagged, and is ${this.level(piece)}`);
      this.bagged.add(piece);
    },
    'supply.set': ({ supply, is }) => {
      if (this.live.get(supply)?.is !== is) throw new Error(`${supply} said to be ${is}`);
    },
    'setting.restored': ({ supply, setting }) => {
      if (this.live.get(supply)?.is !== 'live') throw new Error(`${setting} set again while ${supply} is dead`);
      if (!this.forgotten.delete(`${supply}/${setting}`)) throw new Error(`${setting} was not forgotten`);
    },
    'sensor.unplugged': ({ sensor }) => void this.unplugged.add(sensor),
    'sensor.reconnected': ({ sensor }) => {
      if (!this.unplugged.delete(sensor)) throw new Error(`${sensor} was not unplugged`);
    },
    'baseline.tried': (_, at) => this.want(this.lit, at, 'baseline'),
    'final.tried': (_, at) => this.want(this.lit, at, 'final'),
    'codes.read': ({ moment }, at) => {
      this.want(this.lit, at, 'codes');
      if (moment === 'after' && this.forgotten.size > 0) throw new Error(`codes read before ${[...this.forgotten].join()} was set again`);
    },
    'warnings.read': (_, at) => this.want(this.lit, at, 'warnings'),
    'reading.taken': (_, at) => this.want(this.lit, at, 'reading'),
    'position.set': ({ kind, place }) => {
      if (this.stand.get(kind) === place) throw new Error(`${kind} said to be ${place} once more`);
      if (place === undefined) this.stand.delete(kind);
      else this.stand.set(kind, place);
    },
    'aim.measured': (_, at) => {
      if (this.stand.has('raised')) throw new Error('aimed on stands');
      this.want(this.lit, at, 'aim');
    },
    'plug.joined': ({ kit, connection }, at) => {
      const joint = this.connection(kit, connection);
      const plug = this.profile.plugs.find((entry) => entry.id === joint?.vehiclePlug);
      if (!joint || !plug || evaluate(plug.when, this.facts) === 'no') throw new Error(`${connection} has no plug here`);
      if (plug.reach.length > 0 && !plug.reach.some((way) => this.holds(way.needs))) throw new Error(`${plug.id} is out of reach`);
      this.want(joint.asks ?? [], at, connection);
      this.joined.add(`${kit}/${connection}`);
    },
    'plug.capped': ({ kit, plug }) => {
      const joints = this.fitments().flatMap(({ kit: slug, fitment }) => fitment.connections.map((entry) => ({ slug, entry })));
      const meets = ({ slug, entry }: (typeof joints)[number]) => (kit === undefined ? entry.vehiclePlug === plug : slug === kit && entry.kitPlug === plug);
      if (joints.some((joint) => meets(joint) && evaluate(joint.entry.when, this.facts) === 'yes' && this.joined.has(`${joint.slug}/${joint.entry.id}`)))
        throw new Error(`${plug} was capped while it is joined`);
    },
    'step.passed': ({ kit, step, pass }, at) => {
      const known = this.step(kit, step);
      if (!known || !this.holds(known.needs)) throw new Error(`${step} is not to be got at`);
      this.want(known.asks ?? [], at, step);
      this.passes.add(`${kit}/${step}/${pass}`);
    },
    'job.cancelled': () => void (this.cancelled = true),
    'plug.parted': ({ kit, connection }, at) => {
      const joint = this.connection(kit, connection);
      const plug = this.profile.plugs.find((entry) => entry.id === joint?.vehiclePlug);
      if (plug && plug.reach.length > 0 && !plug.reach.some((way) => this.holds(way.needs))) throw new Error(`${plug.id} is out of reach`);
      this.want(joint?.asks ?? [], at, connection);
      if (!this.joined.delete(`${kit}/${connection}`)) throw new Error(`${connection} was parted, and was not joined`);
    },
    'step.undone': ({ kit, step }, at) => {
      const known = this.step(kit, step);
      if (!known || !this.holds(known.needs)) throw new Error(`${step} is not to be got at`);
      this.want(known.asks ?? [], at, step);
      const gone = known.passes.filter((pass) => this.passes.delete(`${kit}/${step}/${pass}`));
      if (gone.length === 0) throw new Error(`${step} was undone, and was not begun`);
    },
    'final.tested': ({ kit, test, passed }, at) => {
      const open = [...this.levels].find(([piece, level]) => level !== 'fitted' && !this.replaced().has(piece));
      if (open) throw new Error(`${test} was tried closed while ${open[0]} is ${open[1]}`);
      this.tries(kit, test, passed, at);
    },
    'test.tried': ({ kit, test, passed }, at) => this.tries(kit, test, passed, at),
  };

  /** Holds an event against the vehicle and lets it happen. */
  take(event: LoggedEvent): void {
    const act = this.does[event.type] as ((payload: unknown, at: number) => void) | undefined;
    act?.(event.payload, Date.parse(event.at));
  }

  /** What is still wrong with the vehicle when it is said to be ready to leave; empty where it is not. */
  faults(): string[] {
    const replaced = this.replaced();
    const open = [...this.levels].filter(([piece, level]) => level !== 'fitted' && !replaced.has(piece)).map(([piece, level]) => `${piece} is ${level}`);
    const stillThere = [...replaced].filter((piece) => this.there({ piece, level: 'off' }) && this.level(piece) !== 'off').map((piece) => `${piece} is still in the kit's place`);
    const loose = [...this.out].filter(([group, count]) => count > 0 && !replaced.has(group.split('/')[0] ?? '')).map(([group]) => `${group} is out`);
    const dead = [...this.live].filter(([, { is }]) => is === 'dead').map(([supply]) => `${supply} is dead`);
    const plugs = [...this.unplugged].map((sensor) => `${sensor} is unplugged`);
    const stays = this.cancelled ? [...this.joined, ...this.passes].map((what) => `${what} is still on the vehicle`) : [];
    const undone = (this.cancelled ? [] : this.fitments()).flatMap(({ kit, fitment }) => [
      ...fitment.connections.filter((entry) => evaluate(entry.when, this.facts) !== 'no' && !this.joined.has(`${kit}/${entry.id}`)).map((entry) => `${entry.id} is not joined`),
      ...fitment.fitSteps
        .filter((step) => evaluate(step.when, this.facts) !== 'no')
        .flatMap((step) => step.passes.filter((pass) => !this.passes.has(`${kit}/${step.id}/${pass}`)).map((pass) => `${step.id}: ${pass} is missing`)),
    ]);
    const raised = this.stand.has('raised') ? ['it stands on stands'] : [];
    return [...raised, ...open, ...stillThere, ...loose, ...dead, ...plugs, ...stays, ...undone, ...[...this.forgotten].map((setting) => `${setting} is forgotten`)];
  }
}

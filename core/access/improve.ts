import { Relaxation, type Network } from './relaxation.ts';

/** A support with what it costs, each arc once. */
export interface Support {
  arcs: number[];
  cost: number;
}

/** Arcs that are freed together in one try, at the most. */
const MOST_FREED = 10;
/** How far above the best one a support may lie from which others are tried: by so much at the beginning of a cycle of tries, by nothing at its end. */
const DEVIATION = 0.04;
const CYCLE = 400;

/**
 * Betters a support by large neighbourhoods (P. Shaw, 1998): some of its paid arcs are priced again or forbidden, the rest counts as paid,
 * and the cheapest support around it is looked for. Which arcs are tried follows a fixed series, so that the same problem is planned
 * the same way on every device. It moves on to what is a little dearer too, up to a deviation from the best record (G. Dueck, 1993).
 */
export class Improver {
  private readonly relaxation: Relaxation;
  private readonly using: Float64Array;
  private series = 0x2545f491;
  private at: Support | undefined;
  private best = Infinity;
  private turns = 0;

  constructor(
    private readonly net: Network,
    private readonly costs: Float64Array,
  ) {
    this.relaxation = new Relaxation(net);
    this.using = costs.slice();
  }

  /** The next number of the series below a limit (a xorshift after G. Marsaglia, 2003). */
  private next(below: number): number {
    let state = this.series;
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    this.series = state;
    return (state >>> 0) % below;
  }

  /** What a set of arcs costs by the costs of the whole. */
  costOf(arcs: readonly number[]): number {
    return arcs.reduce((sum, arc) => sum + (this.costs[arc] as number), 0);
  }

  get size(): number {
    return this.net.arcCount;
  }

  /** Another beginning: the cheapest support with every arc priced a little lower or higher (often the same one), and a series of tries of its own; the very support given for the first one. */
  begin(first: Support, number: number): Support {
    this.series = 0x2545f491 + Math.imul(number, 0x9e3779b9);
    this.at = undefined;
    this.best = Infinity;
    this.turns = 0;
    if (number === 0) return first;
    for (let arc = 0; arc < this.using.length; arc++) this.using[arc] = (this.costs[arc] as number) * (0.6 + this.next(80) / 100);
    this.relaxation.reach(this.using, 'add');
    const arcs = this.relaxation.support();
    return arcs ? { arcs, cost: this.costOf(arcs) } : first;
  }

  /** The best support found in so many tries from one; that one where none is better. */
  better(from: Support, tries: number): Support {
    let best = from;
    // It goes on from where it was, unless the search has found something cheaper meanwhile.
    if (!this.at || from.cost < this.best) this.at = from;
    this.best = Math.min(this.best, from.cost);
    let paid = this.paidOf(this.at);
    for (let turn = 0; turn < tries && paid.length > 0; turn++) {
      const most = best.cost * (1 + DEVIATION * (1 - (this.turns++ % CYCLE) / CYCLE));
      const found = this.tryOnce(this.at, paid);
      if (!found || found.cost > most) continue;
      this.at = found;
      paid = this.paidOf(found);
      if (found.cost < best.cost) best = found;
    }
    this.best = best.cost;
    return best;
  }

  private paidOf({ arcs }: Support): number[] {
    return arcs.filter((arc) => (this.costs[arc] as number) > 0);
  }

  private tryOnce(best: Support, paid: readonly number[]): Support | undefined {
    const { using, costs } = this;
    using.set(costs);
    const kept = new Set(paid);
    const forbidden: number[] = [];
    const count = 1 + this.next(Math.min(MOST_FREED, paid.length));
    for (let number = 0; number < count; number++) {
      const arc = paid[this.next(paid.length)] as number;
      kept.delete(arc);
      if (number === 0 || this.next(2) === 0) forbidden.push(arc);
    }
    for (const arc of kept) using[arc] = 0;
    // An arc beside the best support is priced a little lower or higher than it is, so that other ways get their turn.
    for (let number = 0; number < 40; number++) {
      const arc = this.next(using.length);
      using[arc] = (using[arc] as number) * (0.4 + this.next(80) / 100);
    }
    for (const arc of forbidden) using[arc] = Infinity;
    this.relaxation.reach(using, 'add');
    const arcs = this.relaxation.support();
    if (!arcs) return undefined;
    const cost = this.costOf(arcs);
    return cost < best.cost * (1 + 2 * DEVIATION) ? this.trimmed({ arcs, cost }) : undefined;
  }

  /** A support found among the arcs of one, priced as they are: nothing is paid that nothing needs. */
  private trimmed(support: Support): Support {
    const { using, costs } = this;
    using.fill(Infinity);
    for (const arc of support.arcs) using[arc] = costs[arc] as number;
    this.relaxation.reach(using, 'add');
    const arcs = this.relaxation.support();
    if (!arcs) return support;
    const cost = this.costOf(arcs);
    return cost < support.cost ? { arcs, cost } : support;
  }
}

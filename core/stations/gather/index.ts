import { contentChecks, type JobContext } from '../../job/index.ts';
import type { BenchTask, ContentItem } from '../../kit/index.ts';
import { key } from '../../subject/index.ts';
import { happened, refused, type Act } from '../act.ts';
import { block, question, todo, type Asked } from '../hold.ts';
import { listsOpen } from './capture.ts';

export * from './capture.ts';

export function asked(context: JobContext): Asked[] {
  return contentChecks(context).flatMap(({ kit, check }): Asked[] => {
    const troubles = check.troubles.map((trouble) =>
      trouble.code === 'short'
        ? block('content-short', { kit: kit.slug, item: trouble.item, count: trouble.missing }, key({ kind: 'content', kit: kit.slug, item: trouble.item }))
        : block('content-hands', { kit: kit.slug, item: trouble.items[0] ?? '', left: trouble.left, right: trouble.right }),
    );
    const open = check.lines.filter((line) => line.counted === undefined && line.needed !== 'no');
    const uncounted = open.length > 0 ? [todo('content-uncounted', { kit: kit.slug, count: open.length })] : [];
    const done = context.state.benchDone[kit.slug] ?? [];
    const lists = listsOpen(kit).map((list) =>
      question(list === 'contents' ? 'contents-undescribed' : 'kit-lamps-undescribed', { kit: kit.slug }, key({ kind: 'kit-list', kit: kit.slug, list })),
    );
    const tasks = kit.benchTasks.filter((task) => !done.includes(task.id)).map((task) => todo('bench-task', { kit: kit.slug, task: task.id }));
    return [...lists, ...troubles, ...uncounted, ...tasks];
  });
}

export function begun({ state }: JobContext): boolean {
  return Object.keys(state.counts).length > 0 || Object.keys(state.benchDone).length > 0;
}

/** Where nothing is asked, nothing is left to be done. */
export const ready = (): boolean => true;

/** Items of a kit that are still to be counted. */
export function uncounted(context: JobContext, slug: string): string[] {
  const lines = contentChecks(context).find(({ kit }) => kit.slug === slug)?.check.lines ?? [];
  return lines.filter((line) => line.counted === undefined && line.needed !== 'no').map((line) => line.item.id);
}

/** An item of a kit counted. */
export function count({ kits }: JobContext, slug: string, item: string, counted: number): Act {
  const known = kits.find((kit) => kit.slug === slug)?.contents.some((entry) => entry.id === item);
  if (!known) return refused({ code: 'unknown', what: 'contents item', id: item });
  return happened({ type: 'content.counted', payload: { kit: slug, item, count: counted } });
}

/** All items of a kit that were not counted one by one are there as the list says. */
export function restAsListed(context: JobContext, slug: string): Act {
  const kit = context.kits.find((entry) => entry.slug === slug);
  const open = new Set(uncounted(context, slug));
  const items = (kit?.contents ?? []).filter((item) => open.has(item.id));
  if (items.length === 0) return refused({ code: 'nothing' });
  return { events: items.map((item) => ({ type: 'content.counted', payload: { kit: slug, item: item.id, count: item.count } })) };
}

/** A task on the bench done. */
export function benchDone({ kits, state }: JobContext, slug: string, task: string): Act {
  if (!kits.find((kit) => kit.slug === slug)?.benchTasks.some((entry) => entry.id === task)) return refused({ code: 'unknown', what: 'bench task', id: task });
  if ((state.benchDone[slug] ?? []).includes(task)) return refused({ code: 'already' });
  return happened({ type: 'bench.done', payload: { kit: slug, task } });
}

/** One thing that hands do at Gather. */
export type GatherStep = { kind: 'count'; id: string; kit: string; item: ContentItem; needed: 'yes' | 'unknown' } | { kind: 'bench'; id: string; kit: string; task: BenchTask };

/** What is left to do with hands at Gather, one at a time: kit by kit what is to be counted, then what is built on the bench. */
export function floorSteps(context: JobContext): GatherStep[] {
  return contentChecks(context).flatMap(({ kit, check }): GatherStep[] => {
    const counts = check.lines.flatMap(({ item, counted, needed }): GatherStep[] =>
      counted !== undefined || needed === 'no' ? [] : [{ kind: 'count', id: `count:${kit.slug}/${item.id}`, kit: kit.slug, item, needed }],
    );
    const done = context.state.benchDone[kit.slug] ?? [];
    const bench = kit.benchTasks.filter(({ id }) => !done.includes(id)).map((task): GatherStep => ({ kind: 'bench', id: `bench:${kit.slug}/${task.id}`, kit: kit.slug, task }));
    return [...counts, ...bench];
  });
}

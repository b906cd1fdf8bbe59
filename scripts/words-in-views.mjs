// Finds sentences that stand in a view's template instead of in words/.
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { parse } from 'vue/compiler-sfc';
import { ROOT } from './packages.mjs';

/** Attributes whose value a person reads or hears. */
const READ = new Set(['label', 'title', 'text', 'placeholder', 'hint', 'action', 'alt', 'aria-label', 'no-data-text']);
const ELEMENT = 1;
const TEXT = 2;
const INTERPOLATION = 5;
const ATTRIBUTE = 6;
const DIRECTIVE = 7;
/** Two letters in a row, outside of a unit: something is said. */
const saysSomething = (text) => /\p{L}{2}/u.test(text);
/** Texts inside an expression, without what only compares or names: a string with a space or a capital in it. */
const saidIn = (expression) =>
  [...expression.matchAll(/'([^'\\]*)'|`([^`\\]*)`|"([^"\\]*)"/g)]
    .map(([, one, two, three]) => (one ?? two ?? three ?? '').replace(/\$\{[^}]*\}/g, ' '))
    .filter((text) => /\p{Lu}?\p{Ll}+ \p{L}/u.test(text) || /^\p{Lu}\p{Ll}+/u.test(text.trim()));

function* saidBy(node) {
  if (node.type === TEXT && saysSomething(node.content)) yield { line: node.loc.start.line, text: node.content.trim() };
  if (node.type === INTERPOLATION) for (const text of saidIn(node.content.loc.source)) yield { line: node.loc.start.line, text };
  if (node.type === ELEMENT) {
    for (const prop of node.props) {
      if (prop.type === ATTRIBUTE && READ.has(prop.name) && prop.value && saysSomething(prop.value.content)) yield { line: prop.loc.start.line, text: prop.value.content };
      if (prop.type === DIRECTIVE && prop.arg && READ.has(prop.arg.content) && prop.exp) for (const text of saidIn(prop.exp.loc.source)) yield { line: prop.loc.start.line, text };
    }
  }
  for (const child of node.children ?? []) yield* saidBy(child);
}

function views(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? views(join(folder, entry.name)) : entry.name.endsWith('.vue') ? [join(folder, entry.name)] : [],
  );
}

/** Sentences that stand in the template of a view, with their lines. */
export function sentencesIn(source) {
  const { descriptor } = parse(source);
  return descriptor.template?.ast ? [...saidBy(descriptor.template.ast)] : [];
}

/** Sentences in templates, by file. */
export function sentencesInViews() {
  return views(join(ROOT, 'web')).flatMap((file) => {
    const found = sentencesIn(readFileSync(file, 'utf8'));
    return found.length > 0 ? [{ file: relative(ROOT, file), found }] : [];
  });
}

/** Views that still have sentences of their own, and how many at most: the numbers only fall. */
const KEPT = join(ROOT, 'scripts/words-in-views.json');

/** What speaks against the views: sentences in one that had none, or more of them than it had; and numbers that could be lower. */
export function newSentences() {
  const kept = JSON.parse(readFileSync(KEPT, 'utf8'));
  const found = new Map(sentencesInViews().map((view) => [view.file, view.found]));
  const more = [...found].flatMap(([file, list]) => {
    const most = kept[file] ?? 0;
    if (list.length <= most) return [];
    return [`${file} has ${list.length} sentences of its own, ${most} at most: put them into words/. ${list.map(({ line, text }) => `${line}: ${text}`).join('; ')}`];
  });
  const fewer = Object.entries(kept).flatMap(([file, most]) => {
    const now = found.get(file)?.length ?? 0;
    return now < most ? [`${file} has ${now} sentences of its own: write that for ${most} into scripts/words-in-views.json`] : [];
  });
  return [...more, ...fewer];
}

if (process.argv[1] === import.meta.filename) {
  if (process.argv.includes('--keep')) {
    const counts = Object.fromEntries(sentencesInViews().map(({ file, found }) => [file, found.length]));
    writeFileSync(KEPT, `${JSON.stringify(counts, null, 2)}\n`);
  }
  for (const { file, found } of sentencesInViews()) for (const { line, text } of found) process.stdout.write(`${file}:${line}: ${text}\n`);
}

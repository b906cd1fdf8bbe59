// Finds sentences that stand in a view, its template or its script, instead of in words/.
import { readFileSync, readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { parse } from 'vue/compiler-sfc';
import { ROOT } from './packages.mjs';

/** Attributes whose value nobody reads or hears; what stands in any other does. */
const UNSEEN = new Set(
  [
    'class',
    'style',
    'id',
    'key',
    'ref',
    'is',
    'type',
    'role',
    'd',
    'transform',
    'viewBox',
    'patternUnits',
    'patternTransform',
    'points',
    'href',
    'to',
    'src',
    'about',
    'for',
    'name',
    'lang',
    'accept',
    'target',
    'rel',
  ].concat(
    [
      'variant',
      'density',
      'inputmode',
      'autocomplete',
      'autocapitalize',
      'capture',
      'loading',
      'spellcheck',
      'width',
      'max-width',
      'text-anchor',
      'preserveAspectRatio',
      'generic',
      'stroke',
      'fill',
      'kind',
      'scope',
      'download',
      'shape-rendering',
    ],
    // Values of the program, not words: rights, units, views, moments, orders.
    ['right', 'of', 'moment', 'unit', 'view', 'value'],
    ['aria-labelledby', 'aria-describedby', 'aria-live', 'aria-hidden', 'aria-expanded', 'aria-pressed', 'aria-checked', 'aria-controls', 'hide-details', 'vector-effect'],
  ),
);
const ELEMENT = 1;
const TEXT = 2;
const INTERPOLATION = 5;
const ATTRIBUTE = 6;
const DIRECTIVE = 7;
/** Two letters in a row, outside of a unit: something is said. */
const saysSomething = (text) => /\p{L}{2}/u.test(text);
/** A string in code says something where a word stands beside a space or it begins with a capital; the forms that dates are written in do not. */
const isSaid = (text) => /\p{L}{2,}[,.:;]? | \p{L}{2,}/u.test(text) || /^\p{Lu}\p{Ll}+/u.test(text.trim());
const isDateForm = (text) => /^[DMYHmds ,:.·T-]+$/.test(text);
/** Values of the program that read like words: states, keys of the keyboard. */
const VALUES = new Set([
  ...['least set-up', 'prove one side first'],
  ...['key off', 'not begun', 'not known', 'nothing there', 'left over', 'qualified people', 'to do', 'done here', 'by others', 'not required'],
  ...['Escape', 'Enter', 'Tab', 'Refused', 'Content-Type'],
]);

/** Functions whose strings nobody reads: what finds an element or asks the browser, and what is thrown at a programmer. */
const UNREAD = new Set([
  'querySelector',
  'querySelectorAll',
  'matchMedia',
  'closest',
  'matches',
  'Error',
  'TypeError',
  'RegExp',
  'replace',
  'replaceAll',
  'split',
  'startsWith',
  'endsWith',
  'includes',
]);
const isUnread = (node) =>
  (ts.isCallExpression(node) || ts.isNewExpression(node)) && UNREAD.has(ts.isPropertyAccessExpression(node.expression) ? node.expression.name.text : node.expression.getText());
const isComparison = (node) => ts.isBinaryExpression(node) && /^[!=]==?$/.test(node.operatorToken.getText());

/** Where a value stands in a text. */
const HOLE = '…';
function textOf(node) {
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) return node.text;
  if (ts.isTemplateExpression(node)) return [node.head.text, ...node.templateSpans.map((span) => span.literal.text)].join(HOLE);
  return undefined;
}

/** What is said in code, with its lines: not in what it imports, its types, names of properties, comparisons or what nobody reads. */
function* saidIn(code, fromLine = 1) {
  const source = ts.createSourceFile('view.ts', code, ts.ScriptTarget.Latest, true);
  function* visit(node) {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node) || ts.isTypeAliasDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (isComparison(node) && (textOf(node.left) ?? textOf(node.right)) !== undefined) {
      for (const side of [node.left, node.right]) if (textOf(side) === undefined) yield* visit(side);
      return;
    }
    if (ts.isElementAccessExpression(node)) return yield* visit(node.expression);
    if (ts.isPropertyAssignment(node)) return yield* visit(node.initializer);
    if (ts.isCaseClause(node)) {
      for (const statement of node.statements) yield* visit(statement);
      return;
    }
    if (isUnread(node)) {
      for (const argument of node.arguments ?? []) if (textOf(argument) === undefined) yield* visit(argument);
      return yield* visit(node.expression);
    }
    const text = textOf(node);
    if (text !== undefined && isSaid(text) && !isDateForm(text) && !VALUES.has(text)) yield { line: fromLine + source.getLineAndCharacterOfPosition(node.getStart()).line, text };
    const children = [];
    ts.forEachChild(node, (child) => void children.push(child));
    for (const child of children) yield* visit(child);
  }
  yield* visit(source);
}
const saidByExpression = (expression) => saidIn(`(${expression.loc.source})`, expression.loc.start.line);

function* saidByNode(node) {
  if (node.type === TEXT && saysSomething(node.content)) yield { line: node.loc.start.line, text: node.content.trim() };
  if (node.type === INTERPOLATION) yield* saidByExpression(node.content);
  if (node.type === ELEMENT) {
    for (const prop of node.props) {
      if (prop.type === ATTRIBUTE && !UNSEEN.has(prop.name) && prop.value && saysSomething(prop.value.content)) yield { line: prop.loc.start.line, text: prop.value.content };
      if (prop.type === DIRECTIVE && prop.name === 'bind' && prop.exp && !UNSEEN.has(prop.arg?.content)) yield* saidByExpression(prop.exp);
    }
  }
  for (const child of node.children ?? []) yield* saidByNode(child);
}

/** Sentences that stand in a view, with their lines. */
export function sentencesIn(source) {
  const { descriptor } = parse(source);
  const { template, script, scriptSetup } = descriptor;
  return [...(template?.ast ? saidByNode(template.ast) : []), ...[script, scriptSetup].flatMap((block) => (block ? [...saidIn(block.content, block.loc.start.line)] : []))];
}

/** Sentences that stand in code beside the views. */
export const sentencesInCode = (source) => [...saidIn(source)];

function files(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return entry.name === 'test' || entry.name === 'dist' || entry.name === 'node_modules' ? [] : files(path);
    return /\.(vue|ts)$/.test(entry.name) && !/\.(test|d)\.ts$/.test(entry.name) && entry.name !== 'vite.config.ts' ? [path] : [];
  });
}

/** What speaks against the views and the code beside them: sentences of their own. */
export function sentencesInViews() {
  return files(join(ROOT, 'web')).flatMap((file) => {
    const source = readFileSync(file, 'utf8');
    const found = file.endsWith('.vue') ? sentencesIn(source) : sentencesInCode(source);
    return found.map(({ line, text }) => `${relative(ROOT, file)}:${line}: put it into words/: ${text}`);
  });
}

if (process.argv[1] === import.meta.filename) process.stdout.write(`${sentencesInViews().join('\n')}\n`);

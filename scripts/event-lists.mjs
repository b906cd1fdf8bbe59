// A rule of the code: what hangs on events stands in their definitions. A list of their names anywhere else forgets the next one.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const events = join(import.meta.dirname, '../core/events');
const families = readdirSync(events, { withFileTypes: true }).filter((entry) => entry.isDirectory());
const NAMES = new Set(families.flatMap(({ name }) => [...readFileSync(join(events, name, 'index.ts'), 'utf8').matchAll(/^ {2}'?([a-z.-]+)'?: \w+,$/gm)].map(([, type]) => type)));

const isName = (node) => node?.type === 'Literal' && NAMES.has(node.value);
const twoOf = (nodes) => nodes.filter(isName).length > 1;

/** Refuses a list, a table or a switch over two or more types of event. */
export const noEventLists = {
  meta: { type: 'problem', schema: [], messages: { list: 'A list of events: what hangs on an event stands in its definition in core/events.' } },
  create(context) {
    const refuse = (node) => context.report({ node, messageId: 'list' });
    return {
      ArrayExpression: (node) => void (twoOf(node.elements) && refuse(node)),
      ObjectExpression: (node) => void (twoOf(node.properties.map((property) => property.key)) && refuse(node)),
      SwitchStatement: (node) => void (twoOf(node.cases.map((one) => one.test)) && refuse(node)),
    };
  },
};

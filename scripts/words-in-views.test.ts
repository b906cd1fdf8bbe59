import { execFileSync } from 'node:child_process';
import { join } from 'node:path';

interface Found {
  line: number;
  text: string;
}

/** What the check finds in a whole view. */
function inView(source: string): Found[] {
  const program = `import { sentencesIn } from ${JSON.stringify(join(import.meta.dirname, 'words-in-views.mjs'))};
    process.stdout.write(JSON.stringify(sentencesIn(${JSON.stringify(source)})));`;
  return JSON.parse(execFileSync(process.execPath, ['--input-type=module', '-e', program], { encoding: 'utf8' })) as Found[];
}
const found = (template: string) => inView(`<template>${template}</template>`).map(({ text }) => text);
const inScript = (...lines: string[]) => inView(['<script setup lang="ts">', ...lines, '</script>', '<template><p /></template>'].join('\n'));

test('a sentence in a template is found: as text, in what is read aloud, in an expression', () => {
  expect(found('<p>Nothing is open</p>')).toEqual(['Nothing is open']);
  expect(found('<button aria-label="Close it" class="push small">×</button>')).toEqual(['Close it']);
  expect(found(`<p>{{ late ? 'Past its promise' : when }}</p>`)).toEqual(['Past its promise']);
  expect(found('<v-text-field :label="`Length of ${name}`" />')).toEqual(['Length of …']);
});

test('an attribute that hands a sentence on to another view is found too, a value of the program is not', () => {
  expect(found('<VoltsEntry lowest="Slot, lowest" :takes="`pin ${pin} with ${state}`" unit="mm" right="take in documents" />')).toEqual(['Slot, lowest', 'pin … with …']);
});

test('what comes from words, a sign, a class or what only compares is none', () => {
  expect(found('<p>{{ ITSELF.title }} · {{ count }} ×</p>')).toEqual([]);
  expect(found(`<p :class="{ late: state === 'under way' }" v-if="kind === 'to do'">–</p>`)).toEqual([]);
  expect(found(`<b>{{ state === 'off' ? WORDS.off : WORDS.on }}</b>`)).toEqual([]);
});

test('a sentence in the script of a view is found with its line', () => {
  expect(inScript('const list = [];', "const why = list.length > 0 ? 'the server is away' : 'Ready';")).toEqual([
    { line: 3, text: 'the server is away' },
    { line: 3, text: 'Ready' },
  ]);
  expect(inScript('const title = (plate: string) => `${plate} is known`;').map(({ text }) => text)).toEqual(['… is known']);
});

test('an address, a form of a date, a type, a value that is compared or looked up, and what is thrown at a programmer are none', () => {
  expect(
    inScript(
      "import { it } from './Some file.ts';",
      "type Kind = 'done here' | 'Under way';",
      "const far = dayjs(at).format('dddd D MMMM, HH:mm');",
      "const said = kind === 'Under way' ? rows['Work place'] : `/api/jobs/${id}/plugs.${form}`;",
      "if (!far) throw new Error('no job is open');",
      "document.querySelector('.bay:last-child input')?.focus();",
    ),
  ).toEqual([]);
});

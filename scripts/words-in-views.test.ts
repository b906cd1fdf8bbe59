import { execFileSync } from 'node:child_process';
import { join } from 'node:path';

/** What the check finds in a view. */
function found(template: string): string[] {
  const program = `import { sentencesIn } from ${JSON.stringify(join(import.meta.dirname, 'words-in-views.mjs'))};
    process.stdout.write(JSON.stringify(sentencesIn(${JSON.stringify(`<template>${template}</template>`)}).map(({ text }) => text)));`;
  return JSON.parse(execFileSync(process.execPath, ['--input-type=module', '-e', program], { encoding: 'utf8' })) as string[];
}

test('a sentence in a template is found: as text, in what is read aloud, in an expression', () => {
  expect(found('<p>Nothing is open</p>')).toEqual(['Nothing is open']);
  expect(found('<button aria-label="Close it" class="push small">×</button>')).toEqual(['Close it']);
  expect(found(`<p>{{ late ? 'Past its promise' : when }}</p>`)).toEqual(['Past its promise']);
  expect(found('<v-text-field :label="`Length of ${name}`" />')).toEqual(['Length of  ']);
});

test('what comes from words, a sign, a class or what only compares is none', () => {
  expect(found('<p>{{ ITSELF.title }} · {{ count }} ×</p>')).toEqual([]);
  expect(found(`<p :class="{ late: state === 'under way' }" v-if="kind === 'to do'">–</p>`)).toEqual([]);
  expect(found(`<b>{{ state === 'off' ? WORDS.off : WORDS.on }}</b>`)).toEqual([]);
});

// A test runner for faults set into core/: the tests of a room and what they test as one script, evaluated anew for every fault in the same process.
import { createRequire } from 'node:module';
import { dirname, isAbsolute, join } from 'node:path';
import { Script } from 'node:vm';
import { commonTokens, declareClassPlugin, PluginKind, tokens } from '@stryker-mutator/api/plugin';
import { DryRunStatus, TestStatus, determineHitLimitReached, toMutantRunResult } from '@stryker-mutator/api/test-runner';
import { build } from 'vite';

const SPACE = '__stryker__';
const ENTRY = 'virtual:tests';

/** All test files as one script; packages stay outside. */
async function bundle(root, files) {
  const entry = {
    name: 'tests',
    resolveId: (id) => (id === ENTRY ? `\0${ENTRY}` : undefined),
    load: (id) => (id === `\0${ENTRY}` ? files.map((file) => `import ${JSON.stringify(file)};`).join('\n') : undefined),
  };
  const places = {
    name: 'places',
    transform: (code, id) => (code.includes('import.meta.dirname') ? code.replaceAll('import.meta.dirname', JSON.stringify(dirname(id))) : undefined),
  };
  const alias = [{ find: /^@jade\/(\w+)\/([\w-]+)$/, replacement: join(root, '$1/$2/index.ts') }];
  const result = await build({
    root,
    configFile: false,
    logLevel: 'silent',
    plugins: [entry, places],
    resolve: { alias },
    build: {
      ssr: true,
      write: false,
      minify: false,
      rollupOptions: {
        input: ENTRY,
        external: (id) => !id.startsWith('.') && !/^@(jade|oxc-project)\//.test(id) && !id.startsWith('\0') && !id.startsWith('virtual:') && !isAbsolute(id),
        output: { format: 'cjs', codeSplitting: false },
      },
    },
  });
  const [{ code }] = [result].flat()[0].output;
  return code;
}

/** The title of one line of a table of tests. */
const titleOf = (title, row) => {
  let at = 0;
  return title.replace(/%[sdijo]/g, () => JSON.stringify(row[at++]) ?? 'undefined').replace(/\$(\w+)/g, (whole, name) => String(row[0]?.[name] ?? whole));
};

/** Collects the tests of the script: what a test file calls while it is loaded. */
function collector(begin) {
  const list = [];
  const trail = [];
  const ids = new Map();
  const add = (name, run) => {
    const full = begin + [...trail, name].join(' › ');
    const seen = ids.get(full) ?? 0;
    ids.set(full, seen + 1);
    list.push({ id: seen > 0 ? `${full} #${seen}` : full, run });
  };
  const each = (own) => (rows) => (name, run) => rows.forEach((row) => own(titleOf(name, [row].flat(1)), () => run(...(Array.isArray(row) ? row : [row]))));
  const test = Object.assign((name, run) => add(name, run), { each: each((name, run) => add(name, run)) });
  const describe = Object.assign(
    (name, run) => {
      trail.push(name);
      run();
      trail.pop();
    },
    { each: each((name, run) => describe(name, run)) },
  );
  return { list, globals: { test, it: test, describe } };
}

class BundledTests {
  static inject = tokens(commonTokens.options);

  constructor(options) {
    this.groups = options.bundledTests;
    /** What each test took when it last passed, by its id. */
    this.took = new Map();
    this.root = process.cwd();
    this.require = createRequire(join(this.root, 'package.json'));
  }

  capabilities() {
    return { reloadEnvironment: true };
  }

  async init() {
    globalThis.expect = this.require('expect').expect;
    this.scripts = [];
    for (const files of this.groups) {
      const code = await bundle(
        this.root,
        files.map((file) => join(this.root, file)),
      );
      this.scripts.push(new Script(`(function (require, exports, module) {${code}\n})`, { filename: 'tests.cjs' }));
    }
  }

  /** Loads a group of tests and what they test anew and gives back the tests. */
  load(group) {
    const { list, globals } = collector(`${group} › `);
    Object.assign(globalThis, globals);
    const module = { exports: {} };
    this.scripts[group].runInThisContext()(this.require, module.exports, module);
    return list;
  }

  async run(list, { bail, named }) {
    const results = [];
    for (const { id, run } of list) {
      if (named) globalThis[SPACE].currentTestId = id;
      const start = performance.now();
      const result = { id, name: id };
      try {
        await run();
        const timeSpentMs = performance.now() - start;
        this.took.set(id, timeSpentMs);
        results.push({ ...result, status: TestStatus.Success, timeSpentMs });
      } catch (error) {
        results.push({ ...result, status: TestStatus.Failed, timeSpentMs: performance.now() - start, failureMessage: String(error?.message ?? error) });
        if (bail) break;
      }
    }
    return results;
  }

  async dryRun({ coverageAnalysis, disableBail }) {
    globalThis[SPACE] = {};
    const tests = [];
    for (const group of this.scripts.keys()) {
      globalThis[SPACE].currentTestId = undefined;
      tests.push(...(await this.run(this.load(group), { bail: !disableBail, named: coverageAnalysis === 'perTest' })));
    }
    const { mutantCoverage } = globalThis[SPACE];
    return { status: DryRunStatus.Complete, tests, ...(coverageAnalysis === 'off' ? {} : { mutantCoverage }) };
  }

  async mutantRun({ activeMutant, testFilter, hitLimit, disableBail }) {
    globalThis[SPACE] = { activeMutant: activeMutant.id, hitCount: hitLimit === undefined ? undefined : 0, hitLimit };
    const tests = [];
    for (const group of this.scripts.keys()) {
      if (testFilter && !testFilter.some((id) => id.startsWith(`${group} › `))) continue;
      tests.push(...(await this.runGroup(group, testFilter, disableBail)));
      const endless = determineHitLimitReached(globalThis[SPACE].hitCount, hitLimit);
      if (endless) return toMutantRunResult(endless);
      if (tests.some((test) => test.status === TestStatus.Failed)) break;
    }
    return toMutantRunResult({ status: DryRunStatus.Complete, tests });
  }

  async runGroup(group, testFilter, disableBail) {
    try {
      const wanted = testFilter && new Set(testFilter);
      const list = this.load(group).filter(({ id }) => !wanted || wanted.has(id));
      // What takes least is tried first.
      list.sort((one, other) => (this.took.get(one.id) ?? 0) - (this.took.get(other.id) ?? 0));
      return await this.run(list, { bail: !disableBail, named: false });
    } catch (error) {
      // What breaks while it is loaded makes every test of the group fail.
      return [{ id: `${group} › load`, name: 'load', status: TestStatus.Failed, timeSpentMs: 0, failureMessage: String(error?.message ?? error) }];
    }
  }
}

export const strykerPlugins = [declareClassPlugin(PluginKind.TestRunner, 'bundled', BundledTests)];

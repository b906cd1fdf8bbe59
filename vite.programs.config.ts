import { defineConfig } from 'vite';

/** Server and shell as plain Node programs; packages stay in node_modules. */
export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist/programs',
    emptyOutDir: true,
    target: 'node20',
    rolldownOptions: {
      input: {
        server: 'server/app/main.ts',
        planner: 'server/planner/worker.ts',
        keeping: 'server/keeping/main.ts',
        shell: 'shell/main/index.ts',
        bench: 'bench/main.ts',
        meter: 'stand-ins/meter/main.ts',
      },
    },
  },
  ssr: { noExternal: [/^@jade\//] },
});

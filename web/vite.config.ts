import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import vue from '@vitejs/plugin-vue';
import { defineConfig, type Plugin } from 'vite';
import vuetify from 'vite-plugin-vuetify';

const OUT = join(import.meta.dirname, '../dist/web');

/** Packs every text file once at build, so that the server sends it packed without work. */
function packed(): Plugin {
  const pack = (folder: string) => {
    for (const name of readdirSync(folder)) {
      const path = join(folder, name);
      if (statSync(path).isDirectory()) pack(path);
      else if (/\.(js|css|html|svg)$/.test(name)) {
        const text = readFileSync(path);
        writeFileSync(`${path}.gz`, gzipSync(text, { level: 9 }));
        writeFileSync(`${path}.br`, brotliCompressSync(text));
      }
    }
  };
  return { name: 'packed', apply: 'build', closeBundle: () => pack(OUT) };
}

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), vuetify({ autoImport: true, styles: true }), packed()],
  build: { outDir: OUT, emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 600, modulePreload: { polyfill: false } },
  worker: { format: 'es' },
});

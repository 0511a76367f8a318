import { readFileSync, readdirSync } from 'node:fs';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { type Plugin, defineConfig } from 'vite';

/** A calculator's own file is found by its name: one that names none would never be shown. */
function everyFileHasItsCalculator(): Plugin {
  return {
    name: 'every-file-has-its-calculator',
    buildStart() {
      const api = JSON.parse(readFileSync('openapi.json', 'utf-8')) as { paths: Record<string, unknown> };
      for (const file of readdirSync('src/calculators').filter((one) => one.endsWith('.tsx'))) {
        const name = file.replace(/\.tsx$/, '');
        if (!(`/api/calc/${name}` in api.paths)) {
          this.error(`src/calculators/${file}: there is no calculator called ${name}.`);
        }
      }
    },
  };
}

/** The server is told which other views there are, so that it knows an address that is none. */
function viewsToldToTheServer(): Plugin {
  return {
    name: 'views-told-to-the-server',
    generateBundle() {
      this.emitFile({ type: 'asset', fileName: 'views.json', source: readFileSync('src/views.json', 'utf-8') });
    },
  };
}

export default defineConfig({
  plugins: [react(), tailwindcss(), everyFileHasItsCalculator(), viewsToldToTheServer()],
  publicDir: 'public',
  build: { outDir: 'dist', assetsInlineLimit: 0, target: 'es2022' },
});

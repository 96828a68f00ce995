import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';

/** The core has no effects of its own: a page or worker gets the parts it uses, not the whole catalogue of exercises. */
const treeshake = { moduleSideEffects: (id: string) => !id.includes('/src/lib/core/') };

export default defineConfig({
  plugins: [tailwindcss(), sveltekit()],
  worker: { format: 'es', rollupOptions: { treeshake } },
  build: { rollupOptions: { treeshake }, reportCompressedSize: false },
  test: {
    testTimeout: 300_000,
    hookTimeout: 300_000,
    // PGlite holds some 300 MB a file: two at a time suit the two cores and a small machine.
    maxWorkers: 2,
    // The colours of the theme are read from its text.
    css: { include: [/app\.css\?raw/] },
    projects: [
      // One load of the core and the server serves all files of a worker: no test leaves anything behind in a module.
      {
        extends: true,
        test: {
          name: 'node',
          isolate: false,
          include: ['src/**/*.test.ts'],
          exclude: ['src/**/*.svelte.test.ts', 'src/**/*.db.test.ts']
        }
      },
      // Whatever is kept by the day is right far from the zone of the log as well; its clock changes in March.
      {
        extends: true,
        test: {
          name: 'database',
          isolate: false,
          env: { TZ: 'America/New_York' },
          include: ['src/**/*.db.test.ts'],
          globalSetup: 'src/lib/server/testing/databaseImages.ts'
        }
      },
      // What keeps state by runes is compiled as for the browser.
      {
        extends: true,
        resolve: { conditions: ['browser'] },
        test: { name: 'browser', environment: 'jsdom', include: ['src/**/*.svelte.test.ts'] }
      }
    ]
  }
});

// The application's own sources in a script, without a build of the whole.
import { rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'vite';

/**
 * Bundles modules by their paths from the root and imports them. Returns them by the same names. A path of its own for each caller, since
 * a build and another script may run beside it; a tenth of the time that loading them one by one takes.
 */
export async function importSources(paths) {
  const outDir = join('.svelte-kit', `sources-${process.pid}`);
  await build({
    configFile: false, // that of the application would write the files it generates
    logLevel: 'error',
    resolve: { alias: { $lib: resolve('src/lib') } },
    build: {
      ssr: true,
      outDir,
      minify: false,
      reportCompressedSize: false,
      rollupOptions: { input: paths, output: { entryFileNames: '[name].js' } }
    }
  });
  const modules = {};
  for (const name of Object.keys(paths)) modules[name] = await import(pathToFileURL(resolve(outDir, `${name}.js`)).href);
  process.on('exit', () => rmSync(outDir, { recursive: true, force: true }));
  return modules;
}

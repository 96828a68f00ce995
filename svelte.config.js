import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    // Every host and origin is held against the studio's own names in hooks.server.ts, calls of JSON as well.
    csrf: { trustedOrigins: ['*'] },
    adapter: adapter({ precompress: false }),
    csp: {
      mode: 'auto',
      directives: {
        'default-src': ['self'],
        'script-src': ['self', 'wasm-unsafe-eval'],
        // The hash is that of the one style element the charting library puts into a chart (apexcharts 4.7.0).
        'style-src': ['self', 'sha256-aSysLrDECVdJ6L+jLf8CC5QKLmwRuk/OZiZk9mYky8A='],
        // Attributes only: drawings and floating panels position themselves by style attribute.
        'style-src-attr': ['unsafe-inline'],
        'img-src': ['self', 'data:', 'blob:'],
        // A film that is opened to pick a frame from.
        'media-src': ['self', 'blob:'],
        'font-src': ['self'],
        'connect-src': ['self'],
        'worker-src': ['self'],
        'object-src': ['none'],
        'base-uri': ['self'],
        'form-action': ['self'],
        'frame-ancestors': ['none']
      }
    }
  }
};

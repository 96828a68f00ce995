// The demo: Lantern Hall, all invented, in a data directory of its own. The first start fills it; later ones keep what was changed.
process.env.CALM_REACH_DEMO = '1';
process.env.DATA_DIR ??= 'data/demo';
await import('./start.mjs');

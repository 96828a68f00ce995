// Third-party notices: every package that comes with the application, with its licence's own words. "--check" only says whether the file is current.
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const file = 'THIRD-PARTY-NOTICES.md';
const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8'));
/** Tools of the developers of which a part goes into what is built. */
const built = ['@sveltejs/kit', '@sveltejs/adapter-node', 'tailwindcss'].map((name) => `node_modules/${name}`);
// The other tools stay out, and so do builds for one kind of machine, which differ from install to install.
const shipped = Object.entries(packages).filter(
  ([path, { dev, devOptional, os, cpu }]) => path && (built.includes(path) || (!dev && !devOptional && !os && !cpu))
);

/** Licence and notice files of a package, as they are. */
function wordsOf(path) {
  const names = readdirSync(path).filter((name) => /^(licen[cs]e|notice|copying)/i.test(name));
  return names.sort().map((name) => readFileSync(join(path, name), 'utf8').trim().replaceAll('\r\n', '\n'));
}

const parts = shipped
  .filter(([path]) => existsSync(path))
  .map(([path, { version, license }]) => {
    const name = path.split('node_modules/').at(-1);
    const words = wordsOf(path).map((text) => `\`\`\`\`text\n${text}\n\`\`\`\``);
    return [`## ${name} ${version}`, `Licence: ${license ?? 'see its words'}`, ...words].join('\n\n');
  })
  .sort();
const text = `# Third-party notices\n\nWhat Calm Reach comes with, and under which licence. Made by \`npm run notices\` from the installed packages.\n\n${parts.join('\n\n')}\n`;

if (!process.argv.includes('--check')) {
  writeFileSync(file, text);
  process.stdout.write(`${file}: ${parts.length} packages\n`);
} else if (!existsSync(file) || readFileSync(file, 'utf8') !== text) {
  process.stdout.write(`${file} is not current: npm run notices makes it anew.\n`);
  process.exit(1);
}

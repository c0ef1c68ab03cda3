// Builds what the browser loads into public/build. «--check» builds elsewhere and says whether what is shipped is fresh.
import { build } from 'esbuild';
import * as sass from 'sass';
import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const shipped = join(root, 'public/build');
const check = process.argv.includes('--check');
const out = check ? mkdtempSync(join(tmpdir(), 'nk-build-')) : shipped;

if (!check) rmSync(out, { recursive: true, force: true });
mkdirSync(join(out, 'fonts'), { recursive: true });

const fonts = [
  ['barlow-condensed', ['latin-500-normal', 'latin-600-normal', 'latin-ext-600-normal']],
  ['atkinson-hyperlegible', ['latin-400-normal', 'latin-700-normal', 'latin-ext-400-normal']],
];
for (const [family, files] of fonts) {
  for (const file of files) {
    const name = `${family}-${file}.woff2`;
    cpSync(join(root, 'node_modules/@fontsource', family, 'files', name), join(out, 'fonts', name));
  }
}

const css = sass.compile(join(root, 'assets/styles/app.scss'), {
  loadPaths: [join(root, 'node_modules')], style: 'compressed', quietDeps: true,
  silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
}).css;
writeFileSync(join(out, 'app.css'), css);

await build({ entryPoints: [join(root, 'assets/js/app.js')], bundle: true, minify: true, format: 'iife', target: 'es2022', outfile: join(out, 'app.js'), legalComments: 'none', logLevel: 'error' });
cpSync(join(root, 'assets/icon.svg'), join(out, 'icon.svg'));

for (const size of [192, 512]) cpSync(join(root, `assets/icons/icon-${size}.png`), join(out, `icon-${size}.png`));
const hash = (file) => createHash('sha256').update(readFileSync(join(out, file))).digest('hex').slice(0, 10);
const manifest = Object.fromEntries(['app.css', 'app.js', 'icon.svg'].map((file) => [`build/${file}`, `/build/${file}?v=${hash(file)}`]));
writeFileSync(join(out, 'manifest.json'), JSON.stringify(manifest, null, 2) + '\n');
writeFileSync(join(out, 'app.webmanifest'), JSON.stringify({
  name: 'Nimble Knuckle', short_name: 'Knuckle', description: 'The fit sheet that does the sums and leaves no loose ends.', start_url: '/', scope: '/', display: 'standalone', background_color: '#e9dfcb', theme_color: '#e9dfcb',
  icons: [{ src: '/build/icon.svg', type: 'image/svg+xml', sizes: 'any' }, ...[192, 512].map((size) => ({ src: `/build/icon-${size}.png`, type: 'image/png', sizes: `${size}x${size}`, purpose: 'any maskable' }))],
}, null, 2) + '\n');
// The page for what is not carried, and the worker: both name the files by their hashes, so that a new build is a new worker.
let offLine = readFileSync(join(root, 'assets/off-line.html'), 'utf8');
for (const file of ['app.css', 'app.js', 'icon.svg']) offLine = offLine.replaceAll(`/build/${file}"`, `${manifest[`build/${file}`]}"`);
writeFileSync(join(out, 'off-line.html'), offLine);
const shell = [...Object.values(manifest), '/build/off-line.html', '/build/app.webmanifest', '/build/icon-192.png', ...readdirSync(join(out, 'fonts')).sort().map((font) => `/build/fonts/${font}`)];
const version = createHash('sha256').update(readFileSync(join(root, 'assets/js/worker.js'))).update(shell.join()).update(offLine).digest('hex').slice(0, 10);
await build({
  entryPoints: [join(root, 'assets/js/worker.js')], minify: true, format: 'iife', target: 'es2022', outfile: join(out, 'worker.js'), legalComments: 'none', logLevel: 'error',
  define: { NK_VERSION: JSON.stringify(version), NK_SHELL: JSON.stringify(shell) },
});
// A worker answers for what lies below it: it is sent from the top.
if (!check) cpSync(join(out, 'worker.js'), join(root, 'public/sw.js'));
else if (!existsSync(join(root, 'public/sw.js')) || !readFileSync(join(out, 'worker.js')).equals(readFileSync(join(root, 'public/sw.js')))) {
  console.error('public/sw.js is not fresh. Run «npm run build» and commit it.');
  process.exit(1);
}

if (check) {
  const names = (dir) => readdirSync(dir, { recursive: true, withFileTypes: true }).filter((e) => e.isFile()).map((e) => join(e.parentPath, e.name).slice(dir.length + 1)).sort();
  const stale = [...new Set([...names(out), ...names(shipped)])].filter((name) => !existsSync(join(out, name)) || !existsSync(join(shipped, name)) || !readFileSync(join(out, name)).equals(readFileSync(join(shipped, name))));
  rmSync(out, { recursive: true });
  if (stale.length > 0) {
    console.error(`Built assets are not fresh: ${stale.join(', ')}. Run «npm run build» and commit public/build.`);
    process.exit(1);
  }
  console.log('Built assets are fresh.');
}

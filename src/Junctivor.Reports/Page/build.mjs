// Makes page.bundle.js: the page's own code and the layout library, behind the library's licence.
import { readFileSync } from 'node:fs';
import { build } from 'esbuild';

const licence = readFileSync('node_modules/@dagrejs/dagre/LICENSE', 'utf8').trim();
await build({
  entryPoints: ['page.js'],
  outfile: 'page.bundle.js',
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  charset: 'ascii',
  legalComments: 'none',
  banner: { js: `/*\nContains @dagrejs/dagre, under this licence:\n\n${licence}\n*/` },
});

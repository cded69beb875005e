// Exits with 0 if Mermaid can read what comes on standard input, and prints the kind of diagram.
import { readFileSync } from 'node:fs';
import { JSDOM } from 'jsdom';

const { window } = new JSDOM('');
globalThis.window = window;
globalThis.document = window.document;
const { default: mermaid } = await import('mermaid');
try {
  const { diagramType } = await mermaid.parse(readFileSync(0, 'utf8'));
  console.log(diagramType);
} catch (problem) {
  console.error(problem.message);
  process.exitCode = 1;
}

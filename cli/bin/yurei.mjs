#!/usr/bin/env node
import { existsSync } from 'node:fs';

const main = new URL('../dist/main.js', import.meta.url);
if (existsSync(main)) await import(main);
else {
  console.error('yurei: not built yet. Run "npm run build" in the workspace root first.');
  process.exitCode = 2;
}

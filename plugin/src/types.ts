import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';

/** A file of ambient types, written anew as more become known. */
export class TypesFile {
  readonly #known = new Map<string, string>();
  path = '';

  /** Types of a module, by the end of what imports it. */
  add(name: string, types: string): void {
    this.#known.set(name, types);
  }

  write(): void {
    if (!this.path) return;
    const modules = [...this.#known].sort(([a], [b]) => (a < b ? -1 : 1));
    const text = [
      '// Written by the plug-in of Pace Line: the riders and marks of the scenes that are imported.\n',
      ...modules.map(([name, types]) => `declare module '*/${name}' {\n${types}}\n`),
    ].join('\n');
    if (existsSync(this.path) && readFileSync(this.path, 'utf8') === text) return;
    mkdirSync(dirname(this.path), { recursive: true });
    writeFileSync(this.path, text);
  }
}

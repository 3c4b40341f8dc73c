import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { setTimeout as later } from 'node:timers/promises';
import type { Engine } from './engines.ts';

const PORT = 4480;
const BASE = `http://127.0.0.1:${PORT}/`;

/** Presses a button, or what is one, by its name. */
const PRESS = `(name) => {
  const all = [...document.querySelectorAll('button, [role=menuitem], summary')];
  const one = all.find((each) => (each.getAttribute('aria-label') ?? each.textContent).startsWith(name) && !each.disabled);
  one?.click();
  return one !== undefined;
}`;

/** Writes a scene's name as a hand would, and confirms it. */
const RENAME = `(name) => {
  const field = document.querySelector('input[aria-label="Scene name"]');
  if (!field) return false;
  field.focus();
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, name);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  requestAnimationFrame(() => field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true })));
  return true;
}`;

const NAME = `() => document.querySelector('input[aria-label="Scene name"]')?.value ?? null`;
const SAYS = `(words) => document.body.innerText.includes(words)`;

/** ms. Engines that are driven from outside on a busy machine take their time. */
const PATIENCE = 60_000;

async function until(what: string, holds: () => Promise<boolean>): Promise<void> {
  for (const begun = Date.now(); Date.now() - begun < PATIENCE; await later(250))
    if (await holds().catch(() => false)) return;
  throw new Error(what);
}

/** Whether the last edit, undo, a deletion and its restoring hold in an engine, through reloads. */
export async function storageRow(engine: Engine): Promise<{ readonly figure: string; readonly kept: boolean }> {
  const server = spawn(process.execPath, ['server/dist/main.js'], { env: { ...process.env, PORT: String(PORT) } });
  const press = (name: string): Promise<boolean> => engine.run<boolean>(PRESS, name);
  const isCalled = async (name: string): Promise<boolean> => (await engine.run<string | null>(NAME, null)) === name;
  const says = (words: string): Promise<boolean> => engine.run<boolean>(SAYS, words);
  try {
    await once(server.stdout, 'data');
    await engine.open(BASE);
    await until('no sample opens', () => press('Open the sample Down the canal'));
    await until('the scene does not open', () => isCalled('Down the canal'));
    const address = await engine.run<string>('() => location.href', null);
    await engine.run(RENAME, 'Kept by this engine');
    await until('the edit is not kept', () => says('kept '));
    await later(1500);
    await engine.open(address);
    await until('the edit was lost by a reload', () => isCalled('Kept by this engine'));
    await until('undo was lost by a reload', () => press('Undo'));
    await until('undo does not undo', () => isCalled('Down the canal'));
    await later(1500);
    await engine.open(BASE);
    await until('the scene is not on the Shelf', () => press('More for Down the canal'));
    await until('it cannot be deleted', () => press('Delete'));
    await until('what was deleted is not listed', () => says('Deleted scenes (1)'));
    await engine.open(BASE);
    await until('the list does not open', () => press('Deleted scenes'));
    await until('it cannot be restored', () => press('Restore Down the canal'));
    await until('it is not on the Shelf again', () => press('More for Down the canal'));
    await engine.open(address);
    await until('what was restored does not open', () => isCalled('Down the canal'));
    return { figure: 'the last edit, undo, a deletion and its restoring hold through reloads', kept: true };
  } catch (error) {
    return { figure: error instanceof Error ? error.message : String(error), kept: false };
  } finally {
    server.kill();
  }
}

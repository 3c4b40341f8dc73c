import { expect, test, vi } from 'vitest';

type Listener = () => void;

test('what is found waits until no pointer is pressed; what is called off is not called', async () => {
  const listeners = new Map<string, Listener>();
  vi.stubGlobal('window', { addEventListener: (name: string, call: Listener) => listeners.set(name, call) });
  const { whenReleased } = await import('./pressed.ts');
  const said: string[] = [];
  whenReleased(() => said.push('at once'));
  listeners.get('pointerdown')!();
  listeners.get('pointerdown')!();
  whenReleased(() => said.push('later'));
  whenReleased(() => said.push('never'))();
  listeners.get('pointerup')!();
  expect(said).toEqual(['at once']);
  listeners.get('pointercancel')!();
  expect(said).toEqual(['at once', 'later']);
  listeners.get('pointerdown')!();
  whenReleased(() => said.push('after a change of windows'));
  listeners.get('blur')!();
  expect(said).toEqual(['at once', 'later', 'after a change of windows']);
  vi.unstubAllGlobals();
});

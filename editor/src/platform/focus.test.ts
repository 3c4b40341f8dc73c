// @vitest-environment jsdom
import { beforeEach, describe, expect, it } from 'vitest';
import { giveFocus } from './focus.ts';

const byId = (id: string): HTMLElement => document.getElementById(id)!;

beforeEach(() => {
  document.body.innerHTML = `
    <button id="field"></button>
    <aside id="drawer" tabindex="-1"></aside>
    <div role="dialog"><input id="question"><button id="answer"></button></div>`;
});

describe('giveFocus', () => {
  it('gives the keyboard to what has come', () => {
    byId('field').focus();
    giveFocus(byId('drawer'));
    expect(document.activeElement).toBe(byId('drawer'));
  });

  it('leaves it to a dialog that was opened meanwhile, but for what stands in it', () => {
    byId('question').focus();
    giveFocus(byId('drawer'));
    expect(document.activeElement).toBe(byId('question'));
    giveFocus(byId('answer'));
    expect(document.activeElement).toBe(byId('answer'));
  });

  it('keeps it where it is when nothing has come', () => {
    byId('field').focus();
    giveFocus(null);
    expect(document.activeElement).toBe(byId('field'));
  });
});

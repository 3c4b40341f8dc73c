// @vitest-environment jsdom
import { beforeEach, describe, expect, test } from 'vitest';
import { countedRandom } from '../../../core/src/testing/random.ts';
import { Drawn, group, kept, shape, type Part } from './shapes.ts';

let host: SVGElement;
let drawn: Drawn;
beforeEach(() => {
  host = document.createElementNS('http://www.w3.org/2000/svg', 'g');
  drawn = new Drawn(host);
});

const dot = (key: string, r = 1): Part => shape('circle', { key, r });
const shown = (): string => host.innerHTML;

test('attributes come, change and go; a place that is empty keeps the others', () => {
  drawn.show([shape('line', { x1: 1, class: 'a' }), null, shape('text', { y: 2 }, 'one')]);
  const [line, text] = [...host.children];
  expect(shown()).toBe('<line x1="1" class="a"></line><text y="2">one</text>');
  drawn.show([shape('line', { x1: 3 }), dot('new'), shape('text', { y: 2 }, 'two')]);
  expect(shown()).toBe('<line x1="3"></line><circle r="1"></circle><text y="2">two</text>');
  expect([host.children[0], host.children[2]]).toEqual([line, text]);
  drawn.show([null, null, shape('text', { y: null }, [shape('tspan', {}, 'x')])]);
  expect(shown()).toBe('<text><tspan>x</tspan></text>');
  drawn.show([]);
  expect(shown()).toBe('');
});

test('what has a key stays the same element wherever it comes to stand, and keeps the focus there', () => {
  document.body.append(host);
  drawn.show(['a', 'b', 'c', 'd'].map((key) => shape('g', { key, tabindex: 0, id: key })));
  const before = new Map([...host.children].map((one) => [one.id, one]));
  (before.get('c') as SVGElement).focus();
  drawn.show(['d', 'c', 'e', 'a'].map((key) => shape('g', { key, tabindex: 0, id: key })));
  expect([...host.children].map((one) => one.id)).toEqual(['d', 'c', 'e', 'a']);
  for (const id of ['a', 'c', 'd']) expect(document.getElementById(id)).toBe(before.get(id));
  expect(before.get('b')!.isConnected).toBe(false);
  host.remove();
});

test('another tag with the same key is another element', () => {
  drawn.show([dot('a'), shape('rect', { key: 'b', x: 1 })]);
  drawn.show([shape('rect', { key: 'a', x: 2 }), shape('rect', { key: 'b', x: 1 })]);
  expect(shown()).toBe('<rect x="2"></rect><rect x="1"></rect>');
});

test('the same shape is not written again', () => {
  const one = group({ class: 'kept' }, [dot('x')]);
  drawn.show([one]);
  host.firstElementChild!.setAttribute('class', 'by hand');
  drawn.show([one]);
  expect(shown()).toContain('by hand');
  drawn.show([{ ...one }]);
  // What has not changed in what it says is not written either: nobody else draws here.
  expect(shown()).toContain('by hand');
});

test('what is made of the same is the same', () => {
  let made = 0;
  const square = kept((of: { readonly side: number }, color: string) => {
    made++;
    return shape('rect', { width: of.side, fill: color });
  });
  const of = { side: 3 };
  expect(square(of, 'red')).toBe(square(of, 'red'));
  expect(square(of, 'blue')).not.toBe(square({ side: 3 }, 'blue'));
  expect(made).toBe(3);
});

describe('any list after any other', () => {
  const random = countedRandom(7);
  const any = (depth: number): Part => {
    const pick = random();
    if (pick < 0.15) return null;
    const key = pick < 0.7 ? { key: `k${Math.floor(random() * 8)}` } : {};
    if (depth > 0 && pick < 0.6) return group({ ...key, class: `c${Math.floor(random() * 3)}` }, list(depth - 1));
    return random() < 0.5
      ? shape('text', { ...key, x: Math.floor(random() * 3) }, `t${Math.floor(random() * 3)}`)
      : shape('circle', { ...key, r: Math.floor(random() * 3) });
  };
  const list = (depth: number): Part[] => {
    const parts = Array.from({ length: Math.floor(random() * 7) }, () => any(depth));
    // Keys are of one.
    const seen = new Set<string>();
    return parts.filter((part) => {
      const key = part ? part.attributes.key : undefined;
      if (key === undefined) return true;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
  };
  test('is drawn as if it were the first', () => {
    for (let i = 0; i < 400; i++) {
      const parts = list(2);
      drawn.show(parts);
      const fresh = document.createElementNS('http://www.w3.org/2000/svg', 'g');
      new Drawn(fresh).show(parts);
      const attributesInOrder = (root: Element): string =>
        [...root.children]
          .map(
            (one) =>
              `${one.tagName}[${[...one.attributes]
                .map((a) => `${a.name}=${a.value}`)
                .sort()
                .join()}]` + (one.children.length > 0 ? `(${attributesInOrder(one)})` : (one.textContent ?? '')),
          )
          .join();
      expect(attributesInOrder(host)).toBe(attributesInOrder(fresh));
    }
  });
});

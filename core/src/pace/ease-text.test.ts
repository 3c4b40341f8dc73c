import { describe, expect, test } from 'vitest';
import {
  compileLeg,
  cssOfEase,
  EASE_OFFERS,
  easeFromCss,
  shapedFrom,
  withoutShapingPoint,
  withShapingAt,
  withShapingPoint,
  withShapingSlope,
  wordsOfLeg,
  type Ease,
} from './index.ts';

const read = (text: string): Ease => {
  const reading = easeFromCss(text);
  if (!reading.ok) throw new Error(reading.message);
  return reading.ease;
};

describe('eases as CSS', () => {
  test('what is written is read again, within two thousandths of the way', () => {
    for (const { ease, id } of EASE_OFFERS) {
      if (ease.kind === 'hold') continue;
      const again = compileLeg(read(cssOfEase(ease)));
      const { progress } = compileLeg(ease);
      for (let u = 0; u <= 1; u += 0.01)
        expect(Math.abs(again.progress(u) - progress(u)), `${id} at ${u}`).toBeLessThan(0.002);
    }
  });
  test('words, curves and whole declarations are read', () => {
    expect(read('ease-in-out')).toEqual({ kind: 'bezier', values: [0.42, 0, 0.58, 1] });
    expect(read('transition-timing-function: cubic-bezier(.4, 0, .2, 1.5);')).toEqual({
      kind: 'bezier',
      values: [0.4, 0, 0.2, 1.5],
    });
    expect(read('LINEAR')).toEqual({ kind: 'steady' });
    expect(read('step-end')).toEqual({ kind: 'hold' });
  });
  test('linear(): stops without a percentage stand evenly, none before an earlier one, two make a plateau', () => {
    expect(read('linear(0, 0.5, 1)')).toMatchObject({
      points: [
        [0, 0],
        [0.5, 0.5],
        [1, 1],
      ],
    });
    expect(read('linear(0, 0.6 20% 40%, 0.2, 1)')).toMatchObject({
      points: [
        [0, 0],
        [0.2, 0.6],
        [0.4, 0.6],
        [0.7, 0.2],
        [1, 1],
      ],
    });
    expect(read('linear(0, 0.6 50%, 0.8 30%, 1)')).toMatchObject({
      points: [
        [0, 0],
        [0.5, 0.6],
        [0.5, 0.8],
        [1, 1],
      ],
    });
  });
  test.each([
    ['', /cubic-bezier/],
    ['cubic-bezier(1, 2, 3)', /four numbers/],
    ['cubic-bezier(2, 0, 0, 1)', /between 0 and 1/],
    ['cubic-bezier(0, 1e9, 0, 1)', /hundred times/],
    ['linear(0)', /two stops/],
    ['linear(0, x, 1)', /no stop/],
    ['linear(0, 10% 20% 30% 1, 1)', /no stop/],
    ['linear(0.5, 1)', /from 0 at 0 %/],
    ['steps(4)', /hold/],
    ['url(javascript:alert(1))', /cubic-bezier/],
  ])('%s is refused with a reason', (text, words) => {
    const reading = easeFromCss(text);
    expect(reading.ok ? '' : reading.message).toMatch(words);
  });
  test('a plain curve stays what it was, a cubic is written as one', () => {
    expect(cssOfEase({ kind: 'bezier', values: [0.4, 0, 0.2, 1] })).toBe('cubic-bezier(0.4, 0, 0.2, 1)');
    expect(cssOfEase({ kind: 'family', family: 'quad', mode: 'in' })).toBe('cubic-bezier(0.3333, 0, 0.6667, 0.3333)');
    expect(cssOfEase({ kind: 'family', family: 'bounce', mode: 'out' })).toMatch(/^linear\(0, /);
  });
});

describe('what a leg does in words', () => {
  test.each<[Ease, string]>([
    [{ kind: 'steady' }, 'constant speed'],
    [{ kind: 'hold' }, 'holds, then jumps'],
    [{ kind: 'flow' }, 'flows through the marks'],
    [{ kind: 'family', family: 'cubic', mode: 'out' }, 'slows to a stop'],
    // Softer, it still comes to rest, and starts from it; mixed with steady it goes on where it arrives.
    [{ kind: 'family', family: 'cubic', mode: 'out', strength: 0.7 }, 'slows to a stop'],
    [{ kind: 'family', family: 'sine', mode: 'in-out', strength: 0.8 }, 'eases in, slows to a stop'],
    [{ kind: 'family', family: 'cubic', mode: 'out', even: 0.3 }, 'slows down'],
    [{ kind: 'family', family: 'cubic', mode: 'in' }, 'speeds up'],
    [{ kind: 'family', family: 'sine', mode: 'in-out' }, 'eases in, slows to a stop'],
    [{ kind: 'family', family: 'back', mode: 'in' }, 'anticipation'],
    [{ kind: 'family', family: 'back', mode: 'out' }, 'overshoots, comes back'],
    [{ kind: 'family', family: 'back', mode: 'in-out' }, 'anticipation and overshoot'],
    [{ kind: 'spring', overshoot: 40, settle: 1 }, 'swings and settles'],
    [{ kind: 'family', family: 'bounce', mode: 'out' }, 'backs up on the way'],
  ])('%o: %s', (ease, words) => expect(wordsOfLeg(ease)).toBe(words));
});

describe('bending by hand', () => {
  const families: readonly Ease[] = EASE_OFFERS.map(({ ease }) => ease).filter(
    ({ kind }) => kind !== 'hold' && kind !== 'steady',
  );
  test('any ease becomes a bent one that follows it closely, with few points', () => {
    for (const ease of families) {
      const shape = shapedFrom(ease);
      const [was, is] = [compileLeg(ease), compileLeg(shape)];
      expect(shape.points.length).toBeLessThan(45);
      for (let u = 0; u <= 1; u += 0.005)
        expect(Math.abs(was.progress(u) - is.progress(u)), `${JSON.stringify(ease)} at ${u}`).toBeLessThan(0.03);
    }
  });
  test('a point is set on the curve, dragged between its neighbours, made sharp, taken away', () => {
    const { ease, index } = withShapingPoint({ kind: 'steady' }, 0.4);
    expect(ease.points[index]).toEqual({ time: 0.4, way: expect.closeTo(0.4, 12) as number, slope: null });
    const bent = withShapingAt(ease, index, 0.5, 1.3);
    expect(compileLeg(bent).progress(0.5)).toBeCloseTo(1.3, 9);
    const two = withShapingPoint(bent, 0.8);
    expect(two.index).toBe(1);
    expect(withShapingAt(two.ease, 1, 0.1, 0.5).points[1]!.time).toBeGreaterThan(0.5);
    const sharp = withShapingSlope(two.ease, 0, [4, -2]);
    const { rate } = compileLeg(sharp);
    expect([rate(0.5 - 1e-9), rate(0.5 + 1e-9)].map((r) => Math.round(r))).toEqual([4, -2]);
    expect(withoutShapingPoint(sharp, 0).points).toEqual([two.ease.points[1]]);
    // Those that an ease brought with it give way to one that is set beside them.
    const pulled = withShapingPoint({ kind: 'family', family: 'cubic', mode: 'in-out' }, 0.56);
    expect(pulled.ease.points.map(({ time }) => time)).not.toContain(0.5);
    expect(pulled.ease.points[pulled.index]!.time).toBe(0.56);
    // Pressed where one is, that is the one.
    expect(withShapingPoint(bent, 0.5).ease).toBe(bent);
  });
});

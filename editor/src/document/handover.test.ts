import { expect, test } from 'vitest';
import { answerHandover, askHandover } from './handover.ts';

test('who takes a scene over waits until the other has kept it', async () => {
  const order: string[] = [];
  const end = answerHandover('a', async () => {
    await new Promise((resolve) => setTimeout(resolve, 60));
    order.push('kept');
  });
  const other = answerHandover('b', () => Promise.resolve(void order.push('another scene')));
  await askHandover('a');
  order.push('taken');
  expect(order).toEqual(['kept', 'taken']);
  end();
  other();
});

test('a tab that only looks does not answer for the one that holds the scene', async () => {
  const order: string[] = [];
  const looking = answerHandover('a', () => undefined);
  const holding = answerHandover('a', async () => {
    await new Promise((resolve) => setTimeout(resolve, 60));
    order.push('kept');
  });
  await askHandover('a');
  expect(order).toEqual(['kept']);
  looking();
  holding();
});

test('a tab that does not answer is not waited for longer than one is patient', async () => {
  const end = answerHandover('a', () => new Promise(() => undefined));
  const begun = performance.now();
  await askHandover('a', 30);
  expect(performance.now() - begun).toBeGreaterThanOrEqual(25);
  end();
});

test('a scene that could not be kept is handed over all the same', async () => {
  const end = answerHandover('a', () => Promise.reject(new Error('quota')));
  await askHandover('a');
  end();
});

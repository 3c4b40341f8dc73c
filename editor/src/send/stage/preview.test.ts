import { expect, test } from 'vitest';
import { previewOf } from './preview.ts';

const file = (name: string, type: string, text: string) => ({ name, type, blob: new Blob([text], { type }) });

test('a page is shown as it is, a module in a page that mounts it, all else not', async () => {
  expect(await previewOf([file('a.html', 'text/html', '<p>page</p>')], 'web-page')).toBe('<p>page</p>');
  const module = await previewOf([file('a.js', 'text/javascript', 'const SPEC = {};')], 'module');
  expect(module).toContain('const SPEC = {};');
  expect(module).toContain('mount(here)');
  const react = await previewOf(
    [file('a.jsx', 'text/javascript', 'jsx'), file('a.module.js', 'text/javascript', 'const SPEC = 1;')],
    'react',
  );
  expect(react).toContain('const SPEC = 1;');
  expect(react).not.toContain('jsx');
  const played = await previewOf([file('a.json', 'application/json', '{"nm":"</script><b>"}')], 'lottie');
  expect(played).toContain('loadAnimation');
  expect(played!.match(/<\/script>/g)).toHaveLength(2);
  expect(await previewOf([file('a.css', 'text/css', '')], 'css')).toBeUndefined();
});

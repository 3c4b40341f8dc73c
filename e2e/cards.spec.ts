import { expect, test, type Page } from '@playwright/test';
import { prepare } from '@pace-line/core';
import { addTo, typeKey } from './cards.ts';
import { canvasAt, openSample, savedScene } from './desk.ts';

const FERRIES = /Open the sample Two ferries/;

/** Opens the ferries, standing still, one of them selected. */
async function ferry(page: Page): Promise<void> {
  await openSample(page, FERRIES);
  await page.keyboard.press('Space');
  await page.keyboard.press('Home');
  await page.locator('.mark').first().focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.mouse.click(...(await canvasAt(page, 216, 334)));
  await expect(page.getByRole('textbox', { name: 'Rider name' })).toBeVisible();
}

/** Controls and labels of the foot whose text is wider than their box, or that reach out of their card. */
const cutOff = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('.card')].flatMap((card) => {
      const edge = card.getBoundingClientRect();
      return [...card.querySelectorAll<HTMLElement>('.card-body input, .card-body button, .card-body .row-label')]
        .filter((one) => one.getClientRects().length > 0 && !(one instanceof HTMLInputElement && one.type === 'hidden'))
        .filter((one) => {
          const { left, right } = one.getBoundingClientRect();
          return one.scrollWidth > one.clientWidth + 1 || left < edge.left - 1 || right > edge.right + 1;
        })
        .map(
          (one) =>
            `${card.dataset['card']}: ${one.getAttribute('aria-label') ?? one.textContent} (${(one as HTMLInputElement).value ?? ''})`,
        );
    }),
  );

for (const [width, height] of [
  [1280, 800],
  [1024, 768],
  [1440, 900],
] as const)
  for (const colorScheme of ['light', 'dark'] as const)
    test.describe(`${width} × ${height}, ${colorScheme}`, () => {
      test.use({ viewport: { width, height }, colorScheme });

      test('no label, choice, number or button of a card is cut off, whatever is selected and added', async ({
        page,
      }) => {
        test.setTimeout(120_000);
        const found: string[] = [];
        const look = async (state: string): Promise<void> => {
          found.push(...(await cutOff(page)).map((one) => `${state}: ${one}`));
        };
        await ferry(page);
        await look('rider');
        for (const group of [
          'Roll',
          'Squash and stretch',
          'Entrance',
          'Copies along the guide',
          'Fixed offset',
          'Raise',
        ])
          await addTo(page, 'rider', group);
        await page
          .getByRole('button', { name: 'Close Rider' })
          .or(page.locator('[data-card=rider] .card-head'))
          .first()
          .click();
        await look('rider with groups');
        for (const group of ['Smoothing', 'When backing up', 'Turn rate']) await addTo(page, 'heading', group);
        for (const group of ['Rider’s repeat', 'Own cycle', 'First round', 'On twos, threes…'])
          await addTo(page, 'pace', group);
        for (const card of ['guide', 'heading', 'pace', 'scene'] as const) {
          await page.locator(`[data-card=${card}] .card-head`).click();
          if (card === 'guide')
            for (const group of ['Drawn in what is sent', 'Perspective', 'Scale and rotate'])
              await addTo(page, card, group);
          if (card === 'scene') for (const group of ['Tempo', 'Changing the duration']) await addTo(page, card, group);
          await look(`${card} open`);
        }
        await page.locator('.mark').nth(1).focus();
        await page.keyboard.press('Enter');
        await look('mark');
        expect(found).toEqual([]);
      });
    });

test('a behaviour is added by what people call it, shows its rows, and is taken off by its cross', async ({ page }) => {
  await ferry(page);
  await page.locator('[data-card=rider] .add-button').click();
  await page.getByRole('combobox', { name: /^Search what .* can have$/ }).fill('wheel');
  await expect(page.getByRole('option')).toHaveCount(1);
  await page.keyboard.press('Enter');
  const roll = page.getByRole('region', { name: 'Roll', exact: true });
  await expect(roll.getByRole('textbox', { name: 'Rolling radius' })).toBeVisible();
  const ridden = async () => {
    const { riders } = await savedScene(page);
    return riders.filter((one) => one.roll !== null).length;
  };
  expect(await ridden()).toBe(1);
  await roll.getByRole('button', { name: 'Remove roll' }).click();
  await expect(roll).toHaveCount(0);
  expect(await ridden()).toBe(0);
  await page.keyboard.press('Control+z');
  await expect(roll).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(roll).toHaveCount(0);
});

test('a value and its keyframe are one row: none, here, elsewhere; the first leaves everything as it was', async ({
  page,
}) => {
  await ferry(page);
  for (let i = 0; i < 30; i++) await page.keyboard.press('.');
  const before = prepare(await savedScene(page)).poseAt(0.2);
  const button = page.getByRole('button', { name: /opacity keyframe at the playhead$/ });
  await expect(button).toHaveClass(/none/);
  await button.click();
  await expect(button).toHaveAccessibleName('Delete the opacity keyframe at the playhead');
  for (let i = 0; i < 15; i++) await page.keyboard.press('.');
  await expect(button).toHaveClass(/elsewhere/);
  await typeKey(page, 'opacity', 'Opacity', '40');
  const scene = await savedScene(page);
  const keyed = scene.riders.find(({ keys }) => keys.opacity.length > 0)!;
  expect(keyed.keys.opacity.map(({ value }) => value)).toEqual([1, 0.4]);
  const now = prepare(scene).poseAt(0.2);
  const index = scene.riders.indexOf(keyed);
  expect(now.of(index, 'opacity')).toBe(before.of(index, 'opacity'));
  // Of half opacity it can be made whole again by a keyframe.
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  const field = page.getByRole('textbox', { name: 'Opacity', exact: true });
  await field.fill('50');
  await field.press('Enter');
  await typeKey(page, 'opacity', 'Opacity', '100');
  const whole = await savedScene(page);
  const pose = prepare(whole).poseAt(1.5);
  expect(pose.of(index, 'opacity')).toBeCloseTo(1, 6);
});

test('a size has no sign: what is flipped stays so when its scale is typed', async ({ page }) => {
  await ferry(page);
  const flip = page.getByRole('button', { name: 'Flip up and down' });
  await flip.click();
  await expect(flip).toHaveAttribute('aria-pressed', 'true');
  const scale = page.getByRole('textbox', { name: 'Scale', exact: true });
  await expect(scale).not.toHaveValue(/-/);
  await scale.fill('150');
  await scale.press('Enter');
  await expect(flip).toHaveAttribute('aria-pressed', 'true');
  const { riders } = await savedScene(page);
  expect(riders.some(({ scale: [x, y] }) => Math.abs(x - 1.5) < 1e-9 && Math.abs(y + 1.5) < 1e-9)).toBe(true);
});

test('the foot’s edge is dragged, pressed twice, moved by keys, and remembered', async ({ page }) => {
  await openSample(page, FERRIES);
  const height = async (): Promise<number> => Math.round((await page.locator('.foot').boundingBox())!.height);
  const edge = page.getByRole('separator', { name: 'Height of the cards' });
  const first = await height();
  const box = (await edge.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 5);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y - 75, { steps: 4 });
  await page.mouse.up();
  expect(Math.abs((await height()) - first - 80)).toBeLessThan(3);
  const dragged = await height();
  await page.reload();
  await expect.poll(height).toBe(dragged);
  await edge.dblclick({ position: { x: 640, y: 4 } });
  await expect.poll(height).toBe(196);
  await edge.dblclick({ position: { x: 640, y: 4 } });
  await expect.poll(height).toBe(400);
  await edge.focus();
  await page.keyboard.press('ArrowDown');
  await expect.poll(height).toBe(384);
});

test('anything is found by its name: a row is lit, a behaviour added, a rider selected, a command done', async ({
  page,
}) => {
  await ferry(page);
  const ask = async (question: string): Promise<void> => {
    await page.keyboard.press('Control+k');
    await page.getByRole('textbox', { name: 'Find anything' }).fill(question);
    await page.keyboard.press('Enter');
  };
  await ask('fade');
  await expect(page.getByRole('textbox', { name: 'Opacity', exact: true })).toBeFocused();
  await expect(page.locator('.row.lit')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await ask('wheel');
  await expect(page.getByRole('region', { name: 'Roll', exact: true })).toBeVisible();
  await ask('skiff');
  await expect(page.getByRole('textbox', { name: 'Rider name' })).toHaveValue('Skiff');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Find anything/ }).click();
  await page.getByRole('textbox', { name: 'Find anything' }).fill('yesterday');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'Versions' }).or(page.locator('.drawer')).first()).toBeVisible();
  await ask('gif');
  await expect(page).toHaveURL(/send\?format=gif$/);
  await expect(page.getByRole('button', { name: /GIF/ }).first()).toHaveAttribute('aria-pressed', 'true');
});

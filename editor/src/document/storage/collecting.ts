import { assetNames, WITH_ASSETS } from './assets.ts';
import { allEdits } from './journal.ts';
import { allPartings } from './parting.ts';
import { alone, assets, scenes, versions } from './stores.ts';
import { collectVersions } from './versions.ts';

/** Forgets the versions of scenes that are gone, then pixels that no stored scene, change or version shows. */
export const collectUnused = (): Promise<void> =>
  alone(WITH_ASSETS, 'exclusive', async () => {
    await collectVersions();
    const names = await assets.keys();
    if (names.length === 0) return;
    const used = new Set<string>();
    const use = (body: unknown): void => assetNames(body).forEach((name) => used.add(name));
    // A record is a body, or a body with its count.
    await scenes.iterate<unknown, void>((record) => {
      use(record);
      if (typeof record === 'object' && record !== null && 'body' in record) use(record.body);
    });
    await versions.iterate<unknown, void>((body) => use(body));
    allPartings().forEach(({ body }) => use(body));
    for (const step of (await allEdits()).flat()) {
      if (step.at[0] !== 'assets') continue;
      if (typeof step.at[1] === 'string') used.add(step.at[1]);
      else if ('set' in step) use({ assets: step.set });
    }
    await Promise.all(names.filter((name) => !used.has(name)).map((name) => assets.removeItem(name)));
  });

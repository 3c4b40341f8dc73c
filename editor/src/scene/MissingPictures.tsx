import { missingPictures, supplyPictures, type Scene } from '@pace-line/core';
import { useDocument, useDocumentState } from '../document/index.ts';
import { readSceneFile } from '../jobs/index.ts';
import { tell, warn } from '../look/notices.tsx';
import { isSceneFile, mayCarryScene, pickFiles } from '../platform/files.ts';
import { sha256, toBase64 } from '../platform/pixels.ts';

/** The pixels that a file has: its own, or those of the scene in it. */
async function pixelsIn(file: File): Promise<Scene['assets']> {
  if (isSceneFile(file) || mayCarryScene(file)) {
    const read = await readSceneFile(file.name, file);
    return read.ok ? read.scene.assets : {};
  }
  const bytes = new Uint8Array(await file.arrayBuffer());
  return { [await sha256(bytes)]: toBase64(bytes) };
}

/** Says which pictures of the scene have no pixels, and takes them from a file that has them: the picture itself, or any scene with it. */
export function MissingPictures() {
  const doc = useDocument();
  const assets = useDocumentState((state) => state.committed.assets);
  const readOnly = useDocumentState((state) => state.readOnly);
  const missing = Object.values(assets).includes('') ? missingPictures(doc.state.committed) : [];
  if (missing.length === 0) return null;
  const names = [...new Set(missing.flatMap((one) => one.names))];
  const choose = async (): Promise<void> => {
    for (const file of await pickFiles('image/png,image/jpeg,image/webp,.json,.svg,.html,.js,.jsx,.css')) {
      const found = await pixelsIn(file);
      const scene = doc.state.committed;
      const before = missingPictures(scene).length;
      if (supplyPictures.can(scene, { assets: found }))
        warn(
          `${file.name} is not a missing picture`,
          'Its content is not what the scene was made with. To use it instead, bring it in as new art.',
        );
      else {
        doc.do('Find missing pictures', (now) => supplyPictures(now, { assets: found }));
        const count = before - missingPictures(doc.state.committed).length;
        tell(`${count} ${count === 1 ? 'picture was' : 'pictures were'} found in ${file.name}.`);
      }
    }
  };
  return (
    <div className="scene-banner" role="status">
      {missing.length === 1 ? 'A picture is missing' : `${missing.length} pictures are missing`}
      {names.length > 0 && `: ${(names.length > 3 ? [...names.slice(0, 3), '…'] : names).join(', ')}`}
      {!readOnly && (
        <button
          type="button"
          className="small-button"
          title="Choose the picture again, or a scene file that has it"
          onClick={() => void choose()}
        >
          Choose the file…
        </button>
      )}
    </div>
  );
}

import { IconFrame, IconLetterT, IconPuzzle, IconStack2, IconTrash, IconUpload, IconVector } from '@tabler/icons-react';
import { useMemo } from 'react';
import { deleteArt, guideById, pictureOf, placedArt, posesOf, type Art } from '@pace-line/core';
import { familiesOfArt } from '@pace-line/core/lettering';
import { useDocumentState } from '../../document/index.ts';
import { IconAction } from '../../look/IconAction.tsx';
import { pickFiles } from '../../platform/files.ts';
import { useDesk } from '../context.ts';
import { importArt } from '../intake/art.ts';
import { isRasterFile } from '../intake/picture-files.ts';
import { importRaster } from '../intake/raster.tsx';
import { bringInScene } from '../intake/scene.tsx';
import { importStrip } from '../intake/strip.tsx';
import { bringInText } from '../intake/text.tsx';
import { bringInGuides, takeApart } from '../intake/guides.ts';
import { outlineText } from '../intake/outline-text.ts';
import { useDeskView } from '../view.ts';
import { ART_DRAG } from './drag.ts';
import { Drawer } from './Drawer.tsx';
import { BUILT_IN_SHAPES, shapeDrag } from './shapes.ts';
import { change } from '../actions/change.ts';
import { bringInArt, parkArt } from '../actions/riding.ts';
import { rideAtStart } from '../actions/seating.ts';
import { svgUrl } from '../../look/svg-url.ts';

const ART_FILES = '.svg,image/svg+xml,image/png,image/jpeg,image/webp,image/gif';

/** The scene's art and the built-in shapes; dragged to the canvas, or placed by a button. */
export function ArtDrawer() {
  const desk = useDesk();
  const art = useDocumentState((state) => state.shown.art);
  const bringIn = async (): Promise<void> => {
    for (const file of await pickFiles(ART_FILES))
      await (isRasterFile(file) ? importRaster(file, desk) : importArt(file, desk));
  };
  const bringInPoses = async (): Promise<void> => void (await importStrip(await pickFiles(ART_FILES), desk));
  return (
    <Drawer title="Art">
      <button type="button" className="wide-button" onClick={() => void bringIn()}>
        <IconUpload size={15} aria-hidden /> Import a drawing or picture…
      </button>
      <button type="button" className="wide-button" onClick={() => void bringInPoses()}>
        <IconStack2 size={15} aria-hidden /> Import poses: files, or a sheet…
      </button>
      <button type="button" className="wide-button" onClick={() => void bringInGuides(desk)}>
        <IconVector size={15} aria-hidden /> Import paths as guides…
      </button>
      <button type="button" className="wide-button" onClick={() => void bringInScene(desk)}>
        <IconFrame size={15} aria-hidden /> Nest a scene…
      </button>
      <p className="card-note">
        Drag onto a guide to ride it, onto empty canvas to park. SVG files can be dropped or pasted anywhere on the
        Desk, pictures and scene files, to be nested, while this drawer is open.
      </p>
      {art.length > 0 && <h3 className="drawer-heading">In this scene</h3>}
      <ul className="art-grid">
        {art.map((one) => (
          <ArtTile key={one.id} art={one} />
        ))}
      </ul>
      <h3 className="drawer-heading">Shapes and text</h3>
      <button type="button" className="wide-button" onClick={() => void bringInText(desk)}>
        <IconLetterT size={15} aria-hidden /> Text…
      </button>
      <ul className="art-grid">
        {BUILT_IN_SHAPES.map((shape) => (
          <li key={shape.name} className="art-tile">
            <button
              type="button"
              className="art-face"
              draggable
              onDragStart={(event) => {
                event.dataTransfer.setData(ART_DRAG, shapeDrag(shape.name));
                event.dataTransfer.effectAllowed = 'copy';
              }}
              onClick={() => bringInArt(desk, shape.name, shape.art)}
              aria-label={`Take the shape ${shape.name} into the scene`}
            >
              <img alt="" src={svgUrl(shape.art.markup)} draggable={false} />
            </button>
            <span className="art-name">{shape.name}</span>
            <PlaceButtons
              name={`a new ${shape.name}`}
              take={() => bringInArt(desk, shape.name, shape.art)}
              words={['Put', 'Put']}
            />
          </li>
        ))}
      </ul>
    </Drawer>
  );
}

function ArtTile({ art }: { art: Art }) {
  const assets = useDocumentState((state) => state.shown.assets);
  const picture = useMemo(() => {
    const first = pictureOf(art, 1);
    return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${art.width} ${art.height}">${first ? placedArt(first, '', assets) : ''}</svg>`;
  }, [art, assets]);
  return (
    <li className="art-tile">
      <div
        className="art-face"
        draggable
        onDragStart={(event) => {
          event.dataTransfer.setData(ART_DRAG, art.id);
          event.dataTransfer.effectAllowed = 'copy';
        }}
      >
        <img alt={art.name} src={svgUrl(picture)} draggable={false} />
      </div>
      <span className="art-name" title={art.name}>
        {art.name}
        {art.kind === 'strip' && ` · ${posesOf(art)} poses`}
      </span>
      <ArtButtons art={art} />
    </li>
  );
}

function ArtButtons({ art }: { art: Art }) {
  const desk = useDesk();
  const used = useDocumentState((state) => state.shown.riders.some((rider) => rider.art === art.id));
  const families = useMemo(() => familiesOfArt(art), [art]);
  return (
    <span className="art-buttons">
      <PlaceButtons name={art.name} take={() => art.id} words={['Ride', 'Park']} />
      {families.length > 0 && (
        <IconAction
          label={`Text of ${art.name} to outlines`}
          hint={`Text to outlines: choose the font’s file (${families.join(', ')})`}
          icon={<IconLetterT size={14} aria-hidden />}
          onClick={() => void outlineText(desk, art, families)}
        />
      )}
      {art.kind === 'svg' && (
        <IconAction
          label={`Take ${art.name} apart`}
          hint="Take apart: name its parts guide, rider or scenery"
          icon={<IconPuzzle size={14} aria-hidden />}
          onClick={() => void takeApart(art.name, art.markup)}
        />
      )}
      {!used && (
        <IconAction
          label={`Delete ${art.name}`}
          hint="Delete this art"
          icon={<IconTrash size={14} aria-hidden />}
          onClick={() => change(desk, `Delete ${art.name}`, (scene) => deleteArt(scene, { id: art.id }))}
        />
      )}
    </span>
  );
}

interface PlaceButtonsProps {
  readonly name: string;
  /** Gives the art's id; what is not in the scene yet is taken into it. */
  readonly take: () => string;
  /** What a reader hears it do on a guide, and on the canvas. */
  readonly words: readonly [string, string];
}

/** Puts art on the guide that is worked on, or in the middle of the canvas; one step of undo. */
function PlaceButtons({ name, take, words: [onGuide, onCanvas] }: PlaceButtonsProps) {
  const desk = useDesk();
  const canvas = useDocumentState((state) => state.shown.canvas);
  const route = useDeskView((state) => state.route);
  // As on the sheet: without a choice, the first.
  const guide = useDocumentState(
    ({ shown, selection }) => guideById(shown, selection.guides[0] ?? route) ?? shown.guides[0],
  );
  const place = (put: (art: string) => void): void => desk.doc.inRun(`place ${Date.now()}`, () => put(take()));
  return (
    <>
      {guide && (
        <button
          type="button"
          className="small-button"
          onClick={() => place((art) => rideAtStart(desk, art, guide.id))}
          aria-label={`${onGuide} ${name} on ${guide.name}`}
        >
          On the guide
        </button>
      )}
      <button
        type="button"
        className="small-button"
        onClick={() => place((art) => parkArt(desk, art, [canvas.width / 2, canvas.height / 2]))}
        aria-label={`${onCanvas} ${name} on the canvas`}
      >
        On the canvas
      </button>
    </>
  );
}

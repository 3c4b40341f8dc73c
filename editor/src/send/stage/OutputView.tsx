import { useEffect, useState, type CSSProperties, type ReactNode } from 'react';
import { formatById, leadInOf, loopLength, runsByTime, scrollOf, type Scene } from '@pace-line/core';
import type { Output, WrittenFile } from '../../jobs/index.ts';
import { DeskPicture } from './DeskPicture.tsx';
import { PageFrame } from './PageFrame.tsx';
import { FilmOutput, ImageOutput } from './Pictures.tsx';
import { calmPage, previewOf } from './preview.ts';
import type { Side } from './showing.ts';
import { StageBar } from './StageBar.tsx';
import { TextOutput } from './TextOutput.tsx';
import type { StageState } from './use-stage.ts';

interface OutputViewProps {
  readonly output: Output;
  readonly format: string;
  readonly scene: Scene;
  /** Whether the canvas's background is painted in it. */
  readonly background: boolean;
  readonly stage: StageState;
}

/** The real output: playing in an image, or in a frame that has no origin; data as its first lines. */
export function OutputView({ output, format, scene, background, stage }: OutputViewProps) {
  const [chosen, setChosen] = useState(0);
  const { files } = output;
  const page = usePreview(files, format);
  const file = files[Math.min(chosen, files.length - 1)];
  if (!file) return null;
  return (
    <>
      {page !== undefined && (
        <PageStage
          page={page}
          scene={scene}
          stage={stage}
          background={background}
          knowsCalm={format !== 'lottie'}
          holdsDriver={formatById(format)?.holds.includes('driver') ?? false}
          leadIn={leadInSent(scene, format)}
        />
      )}
      {page === undefined && isPicture(file) && <PictureStage file={file} scene={scene} stage={stage} />}
      {file.type === 'application/zip' && <p className="muted">An archive of pictures: save it to unpack it.</p>}
      {files.length > 1 && (
        <div className="segments" role="group" aria-label="Files of the output">
          {files.map(({ name }, i) => (
            <button key={name} type="button" aria-pressed={i === chosen} onClick={() => setChosen(i)}>
              {name}
            </button>
          ))}
        </div>
      )}
      {isText(file) && <TextOutput blob={file.blob} isShort={page !== undefined} />}
      {file.type === 'application/pdf' && <p className="muted">A page to be printed: save it to look at it.</p>}
    </>
  );
}

const isText = ({ type }: WrittenFile): boolean =>
  (type.startsWith('text/') && type !== 'text/html') || type === 'application/json';

const isPicture = ({ type }: WrittenFile): boolean => type.startsWith('image/') || type === 'video/webm';

/** The page in which an output is shown playing, the one before until there is another; undefined where it is none. */
function usePreview(files: readonly WrittenFile[], format: string): string | undefined {
  const [page, setPage] = useState<string>();
  useEffect(() => {
    let isCurrent = true;
    void previewOf(files, format).then((made) => isCurrent && setPage(made));
    return () => {
      isCurrent = false;
    };
  }, [files, format]);
  return page;
}

interface StageProps {
  readonly scene: Scene;
  readonly stage: StageState;
  readonly children: ReactNode;
}

function Stage({ scene: { canvas }, stage: { bar, picture }, children }: StageProps) {
  const style = {
    '--ratio': String(canvas.width / canvas.height),
    ...(bar.actual ? { width: canvas.width } : {}),
    ...(picture ? { backgroundImage: `url("${picture}")` } : {}),
  } as CSSProperties;
  return (
    <div className={`send-stage ${bar.actual ? 'actual' : ''}`}>
      <div className={`output-view on-${bar.backdrop}`} style={style}>
        {children}
      </div>
    </div>
  );
}

function PictureStage({ file, scene, stage }: { file: WrittenFile; scene: Scene; stage: StageState }) {
  const { playing } = stage.bar;
  return (
    <>
      <StageBar {...stage.bar} />
      <Stage scene={scene} stage={stage}>
        {file.type === 'video/webm' ? (
          <FilmOutput blob={file.blob} playing={playing} />
        ) : (
          <ImageOutput blob={file.blob} playing={playing} />
        )}
      </Stage>
    </>
  );
}

interface PageStageProps {
  readonly page: string;
  readonly scene: Scene;
  readonly stage: StageState;
  readonly background: boolean;
  /** What plays it asks whether less motion is wished for. */
  readonly knowsCalm: boolean;
  /** What drives the scene drives it too. */
  readonly holdsDriver: boolean;
  /** s that it plays before the loop. */
  readonly leadIn: number;
}

/** s of a scene's lead-in that a format plays. */
const leadInSent = (scene: Scene, format: string): number =>
  runsByTime(scene.driver) && formatById(format)?.holds.includes('lead-in') ? leadInOf(scene) : 0;

function PageStage({ page, scene, stage, background, knowsCalm, holdsDriver, leadIn }: PageStageProps) {
  const [side, setSide] = useState<Side>('output');
  const [time, setTime] = useState(0);
  const [calm, setCalm] = useState(false);
  const { playing, onPlaying } = stage.bar;
  // What is scrolled past is larger than what is seen of it, and at no time of its own.
  const passes = holdsDriver && scrollOf(scene.driver) !== undefined;
  const canCompare = !passes && !calm;
  const [share, setShare] = useState(0.5);
  const onSide = (next: Side): void => {
    setSide(next);
    if (next !== 'output') onPlaying(false);
  };
  const onPlay = (next: boolean): void => {
    onPlaying(next);
    if (next) setSide('output');
  };
  const driven = holdsDriver && !runsByTime(scene.driver);
  const showing = { playing, time: playing || passes ? null : leadIn + time, driven, share: passes ? share : null };
  const compared = { side, onSide, time, length: loopLength(scene.clock), onTime: setTime };
  return (
    <>
      <StageBar
        {...stage.bar}
        onPlaying={onPlay}
        {...(knowsCalm ? { calm: { value: calm, onChange: setCalm } } : {})}
        {...(canCompare ? { compared } : {})}
        {...(passes ? { passage: { share, onShare: setShare } } : {})}
      />
      <Stage scene={scene} stage={stage}>
        <PageFrame page={calm ? calmPage(page) : page} showing={showing} />
        {canCompare && !playing && side !== 'output' && (
          <DeskPicture scene={scene} time={time} side={side} background={background} />
        )}
      </Stage>
    </>
  );
}

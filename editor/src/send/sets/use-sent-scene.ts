import { useRef } from 'react';
import type { Scene } from '@pace-line/core';

/** The scene as it is written: the same one while only its sets change, unless those are written as well. */
export function useSentScene(scene: Scene, withSets: boolean): Scene {
  const last = useRef(scene);
  const keys = Object.keys(scene) as (keyof Scene)[];
  const isSame = keys.every((key) => key === 'sets' || scene[key] === last.current[key]);
  if (!isSame || (withSets && scene.sets !== last.current.sets)) last.current = scene;
  return last.current;
}

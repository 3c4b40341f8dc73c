import useSWR from 'swr';
import type { Scene } from '@pace-line/core';
import { movingPicture } from '../jobs/index.ts';
import { svgUrl } from './svg-url.ts';

/** A scene as a small moving picture, written by our own writer off the main thread; `name` tells it from others. */
export function MovingPicture({ name, scene }: { name: string; scene: () => Scene }) {
  const { data } = useSWR(['moving picture', name], () => movingPicture(scene()), { revalidateOnFocus: false });
  return data ? <img alt="" src={svgUrl(data)} /> : <span className="picture-wait" />;
}

import type { Page } from '@playwright/test';

/** A file of many pictures, and where it is red. */
interface Decoded {
  /** Middle of what is red in each frame, px. */
  readonly places: readonly (readonly [number, number])[];
  /** ms. */
  readonly delays: readonly number[];
  readonly repeats: number;
  readonly size: readonly [number, number];
}

/** A file of many pictures as the browser's own decoder has it. */
export const decoded = (page: Page, file: Buffer, type: string): Promise<Decoded> =>
  page.evaluate(
    async ({ data, type }) => {
      const bytes = Uint8Array.from(atob(data), (one) => one.charCodeAt(0));
      const decoder = new ImageDecoder({ data: bytes, type });
      await decoder.tracks.ready;
      await decoder.completed;
      const track = decoder.tracks.selectedTrack!;
      const places: [number, number][] = [];
      const delays: number[] = [];
      let size: [number, number] = [0, 0];
      for (let i = 0; i < track.frameCount; i++) {
        const { image } = await decoder.decode({ frameIndex: i });
        size = [image.displayWidth, image.displayHeight];
        delays.push((image.duration ?? 0) / 1000);
        const canvas = new OffscreenCanvas(...size);
        const context = canvas.getContext('2d')!;
        context.drawImage(image, 0, 0);
        const { data: rgba } = context.getImageData(0, 0, ...size);
        let [x, y, count] = [0, 0, 0];
        for (let k = 0; k < rgba.length; k += 4)
          if (rgba[k]! > 150 && rgba[k + 1]! < 110 && rgba[k + 2]! < 110 && rgba[k + 3]! > 127) {
            x += (k / 4) % size[0];
            y += Math.floor(k / 4 / size[0]);
            count++;
          }
        places.push([x / count + 0.5, y / count + 0.5]);
        image.close();
      }
      return { places, delays, repeats: track.repetitionCount, size };
    },
    { data: file.toString('base64'), type },
  );

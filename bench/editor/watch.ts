import type { CDPSession, Page } from '@playwright/test';

/** How long each thing is watched. */
export const SECONDS = 2;

/** Frames shown and main-thread task time over some seconds, while `work` goes on. */
export async function watch(
  page: Page,
  cdp: CDPSession,
  work: () => Promise<void>,
): Promise<{ fps: number; task: number }> {
  const taskTime = async (): Promise<number> => {
    const { metrics } = await cdp.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0;
  };
  const before = await taskTime();
  const counting = page.evaluate(
    (ms) =>
      new Promise<number>((resolve) => {
        let frames = 0;
        const begun = performance.now();
        const tick = (): void => {
          frames++;
          const now = performance.now();
          if (now - begun >= ms) resolve((frames * 1000) / (now - begun));
          else requestAnimationFrame(tick);
        };
        requestAnimationFrame(tick);
      }),
    SECONDS * 1000,
  );
  const [fps] = await Promise.all([counting, work()]);
  return { fps, task: (await taskTime()) - before };
}

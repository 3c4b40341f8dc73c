/** What is shown of a drawing: one time, held, or time that runs on by the browser's own clock. */
export interface Clock {
  /** Holds a time, s. */
  show: (time: number) => void;
  /** Runs from a time on, s, so many seconds a second: back below 0. */
  run: (time: number, speed: number) => void;
}

/** The clock of animations; of each its own time at time 0, s. While it runs nothing is set: each frame is the browser's own. */
export function clockOf(all: readonly (readonly [one: Animation, ahead: number])[]): Clock {
  const show = (time: number): void =>
    all.forEach(([one, ahead]) => {
      one.pause();
      // Back at its beginning it would be before it, and not be there.
      one.playbackRate = 1;
      one.currentTime = (time + ahead) * 1000;
    });
  return {
    show,
    run: (time, speed) => {
      show(time);
      const now = Number(document.timeline.currentTime);
      if (speed)
        all.forEach(([one, ahead]) => {
          one.playbackRate = speed;
          one.startTime = now - ((time + ahead) * 1000) / speed;
        });
    },
  };
}

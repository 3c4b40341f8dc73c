/**
 * Runs in a page whose clock is a test's: animations that run by the browser's own clock, which no test can hold, run by that one instead. What they show is set when their time is asked for.
 * Its text stands alone.
 */
export function timelineByClock(): void {
  const of = (name: 'startTime' | 'currentTime'): PropertyDescriptor =>
    Object.getOwnPropertyDescriptor(Animation.prototype, name)!;
  const [start, current] = [of('startTime'), of('currentTime')];
  const pause = Object.getOwnPropertyDescriptor(Animation.prototype, 'pause')!.value as (this: Animation) => void;
  const begun = new Map<Animation, number>();
  const held = (one: Animation, time: number): void => {
    begun.delete(one);
    current.set!.call(one, time);
  };
  const timeOf = (one: Animation): number | null => {
    const from = begun.get(one);
    return from === undefined
      ? (current.get!.call(one) as number | null)
      : (performance.now() - from) * one.playbackRate;
  };
  Object.defineProperty(AnimationTimeline.prototype, 'currentTime', { get: () => performance.now() });
  Object.defineProperty(Animation.prototype, 'startTime', {
    get(this: Animation) {
      return begun.get(this) ?? (start.get!.call(this) as number | null);
    },
    set(this: Animation, time: number) {
      begun.set(this, time);
    },
  });
  Object.defineProperty(Animation.prototype, 'currentTime', {
    get(this: Animation) {
      const time = timeOf(this);
      if (begun.has(this)) current.set!.call(this, time);
      return time;
    },
    set: function (this: Animation, time: number) {
      held(this, time);
    },
  });
  Animation.prototype.pause = function () {
    const time = timeOf(this);
    pause.call(this);
    if (begun.has(this)) held(this, time ?? 0);
  };
}

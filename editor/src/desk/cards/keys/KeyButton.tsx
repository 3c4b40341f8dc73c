interface KeyButtonProps {
  /** What is keyed. */
  readonly name: string;
  readonly state: 'none' | 'here' | 'elsewhere';
  readonly onClick: () => void;
}

const TITLES: Readonly<Record<KeyButtonProps['state'], string>> = {
  none: 'Sets the first keyframe at the playhead: the value can then change over time',
  here: 'Deletes the keyframe at the playhead',
  elsewhere: 'Keeps the value at the playhead as a keyframe; it has keyframes at other times',
};

/** At the end of a value's row: hollow without keyframes, filled where one is at the playhead, half where they are elsewhere. */
export function KeyButton({ name, state, onClick }: KeyButtonProps) {
  const article = /^[aeiou]/.test(name) ? 'an' : 'a';
  return (
    <button
      type="button"
      className={`key-button ${state}`}
      aria-pressed={state === 'here'}
      aria-label={
        state === 'here'
          ? `Delete the ${name} keyframe at the playhead`
          : `Set ${article} ${name} keyframe at the playhead`
      }
      title={TITLES[state]}
      onClick={onClick}
    >
      {/* The tick of a key on the strips, as a bar that is filled. */}
      <svg width={15} height={15} viewBox="0 0 15 15" aria-hidden>
        <path className="key-bar" d="M5.5 1H9.5V5.5H14V9.5H9.5V14H5.5V9.5H1V5.5H5.5Z" />
        {state !== 'none' && (
          <path
            className="key-fill"
            d={state === 'here' ? 'M5.5 1H9.5V5.5H14V9.5H9.5V14H5.5V9.5H1V5.5H5.5Z' : 'M1 5.5H5.5V1H7.5V14H5.5V9.5H1Z'}
          />
        )}
      </svg>
    </button>
  );
}

type Pressed = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey'>;

/** Whether a key that is pressed in a field in which nothing is being typed is meant for what the field belongs to: it plays, or undoes. */
export const isForDesk = ({ key, ctrlKey, metaKey }: Pressed): boolean =>
  key === ' ' || ((ctrlKey || metaKey) && 'zyd'.includes(key.toLowerCase()));

/** Whether a field has let a key go on that was pressed in it. */
export const isLetOn = (event: Pressed & Pick<KeyboardEvent, 'target'>): boolean =>
  event.target instanceof Element && event.target.matches('[data-idle]') && isForDesk(event);

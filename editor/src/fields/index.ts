export { DEGREES, PERCENT, PX, secondsAt, type Units } from './arithmetic.ts';
export { ChoiceField } from './ChoiceField.tsx';
export { ColorField } from './ColorField.tsx';
export { MixedContext, useMixed } from './mixed.ts';
export { isLetOn } from './for-desk.ts';
export { NumberField, type Live } from './NumberField.tsx';
export { TextField } from './TextField.tsx';

export { DEGREES, PERCENT, PX, secondsAt } from './arithmetic.ts';
export { NumberField } from './NumberField.tsx';
export { TextField } from './TextField.tsx';

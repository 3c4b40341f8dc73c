export { migrate } from './migrations.ts';

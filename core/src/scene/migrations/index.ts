export { migrate, MIGRATIONS, type Migrated, type Migration } from './migrations.ts';
